'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { createContext, type ReactNode, useContext } from 'react';
import type { Correction } from '@/core/keyboard/correction';
import { openDatabase } from '@/store/database';

const none: readonly Correction[] = [];
const CorrectionsContext = createContext(none);

/** Follows what the person said of keyboards; read once, for the many cells that go by it. */
export function CorrectionsProvider({ children }: { children: ReactNode }) {
  const corrections = useLiveQuery(() => openDatabase().corrections.toArray(), []) ?? none;
  return <CorrectionsContext value={corrections}>{children}</CorrectionsContext>;
}

export function useCorrections(): readonly Correction[] {
  return useContext(CorrectionsContext);
}
