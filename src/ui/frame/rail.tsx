'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import styles from './frame.module.css';
import type { ThemeName } from './theme';
import { selectionQuery, useSelection } from './use-selection';

/** The views, in the order of the questions. */
export const views = [
  { path: '/form', name: 'Form', sign: 'M3 4h12M3 9h12M3 14h7' },
  {
    path: '/survey',
    name: 'Survey',
    sign: 'M2.5 3.5h5v4h-5zM10.5 3.5h5v4h-5zM2.5 10.5h5v4h-5zM10.5 10.5h5v4h-5z',
  },
  { path: '/typing', name: 'Typing', sign: 'M3 14V4M3 9h4M7 9v5M7 12h4M11 12v2M14 4v10' },
  {
    path: '/keyboards',
    name: 'Keyboards',
    sign: 'M2 4.5h14v9H2zM4.5 7h1M8.5 7h1M12.5 7h1M4.5 9.2h1M8.5 9.2h1M12.5 9.2h1M6 11.4h6',
  },
  { path: '/submission', name: 'Submission', sign: 'M2.5 9h9M8 5l4 4-4 4M15 3v12' },
  { path: '/findings', name: 'Findings', sign: 'M4 16V2.5M4 3.5h9l-2.5 3 2.5 3H4' },
] as const;

export function Rail({
  theme,
  onTheme,
  onShortcuts,
  onTour,
}: {
  theme: ThemeName;
  onTheme: () => void;
  onShortcuts: () => void;
  onTour: () => void;
}) {
  const path = usePathname();
  const [selection] = useSelection();
  const query = selectionQuery(selection);
  return (
    <nav className={styles.rail} aria-label="Views">
      <span className={styles.name}>Ukko</span>
      {views.map((view) => (
        <Link
          key={view.path}
          href={`${view.path}${query}`}
          prefetch={false}
          scroll={false}
          className={styles.view}
          aria-current={path === view.path ? 'page' : undefined}
        >
          <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
            <path d={view.sign} fill="none" stroke="currentColor" strokeWidth="1.5" />
          </svg>
          {view.name}
        </Link>
      ))}
      <span className={styles.gap} />
      <button type="button" className={styles.view} onClick={onTour}>
        Tour
      </button>
      <button type="button" className={styles.view} onClick={onTheme}>
        {theme === 'dark' ? 'Light' : 'Dark'}
      </button>
      <button type="button" className={styles.view} onClick={onShortcuts} aria-label="Shortcuts">
        ?
      </button>
    </nav>
  );
}
