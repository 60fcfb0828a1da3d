'use client';

import dynamic from 'next/dynamic';
import { useSelection } from '../frame/use-selection';

const CloseUp = dynamic(() => import('./close-up').then((module) => module.CloseUp), { ssr: false });

/** The close-up beside whatever view is open, when the address asks for it. */
export function CloseUpAside() {
  const [selection, select] = useSelection();
  return selection.closeUp ? <CloseUp onClose={() => select({ closeUp: false })} /> : null;
}
