'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';
import { bringsText, type ComesUp } from '@/core/keyboard/comes-up';
import { correctionOf, keyOf, seenThings } from '@/core/keyboard/correction';
import type { InputTraits } from '@/core/keyboard/input-traits';
import type { KeyboardHabits } from '@/core/keyboard/keyboard-habits';
import type { Target } from '@/core/target/target';
import { openDatabase } from '@/store/database';
import { MenuButton } from '../frame/menu-button';
import styles from './keyboards.module.css';

const TargetHabits = dynamic(() => import('./target-habits').then((module) => module.TargetHabits), {
  ssr: false,
});

/** What comes up and how sure that is; whoever saw something else on a device says so here. */
export function WhatComesUp({
  target,
  habits,
  entry,
  up,
  language,
}: {
  target: Target;
  habits: KeyboardHabits;
  entry: InputTraits;
  up: ComesUp;
  language: string;
}) {
  const isCorrected = up.known.sure === 'corrected';
  const [isOpen, setOpen] = useState(false);
  const correct = async (key: string) => {
    if (key === 'all') {
      setOpen(true);
      return;
    }
    const { corrections } = openDatabase();
    const seen = seenThings.find((one) => one === key);
    const today = new Date().toISOString().slice(0, 10);
    if (seen) await corrections.put(correctionOf(target.id, habits, entry, seen, today));
    else await corrections.delete(keyOf(target.id, habits, entry));
  };
  return (
    <>
      <MenuButton
        onChoose={(key) => void correct(key)}
        items={[
          {
            type: 'group',
            label: 'Which keyboard did you see?',
            children: seenThings.map((seen) => ({ key: seen, label: seen })),
          },
          { type: 'divider' },
          ...(isCorrected ? [{ key: 'back', label: 'Take the correction back' }] : []),
          { key: 'all', label: 'Keys, action key and habits…' },
        ]}
      >
        <button type="button" className={styles.comesUp} title={`From: ${up.known.source}`}>
          {bringsText(up.brings)}, {up.known.sure} <span aria-hidden="true">▾</span>
        </button>
      </MenuButton>
      {isOpen && (
        <TargetHabits
          target={target}
          habits={habits}
          up={up}
          language={language}
          onClose={() => setOpen(false)}
        />
      )}
    </>
  );
}
