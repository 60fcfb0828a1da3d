'use client';

import { Dropdown } from 'antd';
import { cloneElement, useRef, useState } from 'react';
import type { MenuButtonProps } from './menu-button';

/** The menu of a button that was pressed: open at first, and from then on opened and closed by it. */
export function OpenedMenu({ items, onChoose, children }: MenuButtonProps) {
  const [open, setOpen] = useState(true);
  const button = useRef<HTMLButtonElement>(null);
  return (
    <Dropdown
      trigger={['click']}
      open={open}
      onOpenChange={(next) => {
        setOpen(next);
        // The focus was in the menu.
        if (!next) button.current?.focus();
      }}
      autoFocus
      menu={{ items: [...items], onClick: ({ key }) => onChoose(key) }}
    >
      {cloneElement(children, { ref: button, 'aria-haspopup': 'menu', 'aria-expanded': open })}
    </Dropdown>
  );
}
