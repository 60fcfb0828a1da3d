import { AntdRegistry } from '@ant-design/nextjs-registry';
import '@fontsource/ibm-plex-mono/400.css';
import '@fontsource/ibm-plex-mono/600.css';
import '@fontsource/ibm-plex-sans/400.css';
import '@fontsource/ibm-plex-sans/500.css';
import '@fontsource/ibm-plex-sans/600.css';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Frame } from '@/ui/frame/frame';
import '@/ui/frame/tokens.css';
import { CloseUpAside } from '@/ui/survey/close-up-aside';

export const metadata: Metadata = {
  title: 'Ukko',
  description:
    'Asks real engines, this browser and a model how each form field looks, takes typing and answers.',
};

/** Pages render for each request, because each answer carries a nonce of its own. */
export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? '';
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <AntdRegistry>
          <Frame nonce={nonce} aside={<CloseUpAside />}>
            {children}
          </Frame>
        </AntdRegistry>
      </body>
    </html>
  );
}
