'use client';

import type { MenuProps } from 'antd';
import { cloneElement, lazy, type ReactElement, type Ref, Suspense, useState } from 'react';

export interface MenuButtonProps {
  readonly items: NonNullable<MenuProps['items']>;
  /** Hears the `key` of the item that was chosen. */
  readonly onChoose: (key: string) => void;
  /** The button itself. */
  readonly children: ReactElement<{
    readonly ref?: Ref<HTMLButtonElement>;
    readonly onClick?: () => void;
    readonly onFocus?: () => void;
    readonly onPointerEnter?: () => void;
    readonly 'aria-haspopup'?: 'menu';
    readonly 'aria-expanded'?: boolean;
  }>;
}

const menu = () => import('./opened-menu');
const OpenedMenu = lazy(() => menu().then((module) => ({ default: module.OpenedMenu })));

/** A button with a menu. What draws the menu is large, and loaded when somebody turns to the button. */
export function MenuButton(props: MenuButtonProps) {
  const [pressed, setPressed] = useState(false);
  const load = () => void menu();
  const button = cloneElement(props.children, {
    onClick: () => setPressed(true),
    onFocus: load,
    onPointerEnter: load,
    'aria-haspopup': 'menu',
    'aria-expanded': false,
  });
  if (!pressed) return button;
  return (
    <Suspense fallback={button}>
      <OpenedMenu {...props} />
    </Suspense>
  );
}
