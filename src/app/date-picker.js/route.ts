import { probeBundle } from '@/probe/bundle';

export const dynamic = 'force-dynamic';

/** The picker of a fallback plan as one script without dependencies, to be put into a page of the person's own. */
export async function GET(): Promise<Response> {
  const { code } = await probeBundle('date-picker-everywhere');
  return new Response(code, {
    headers: {
      'content-type': 'text/javascript; charset=utf-8',
      'content-disposition': 'attachment; filename="date-picker.js"',
      'cache-control': 'no-store',
    },
  });
}
