'use client';

import { Dropdown } from 'antd';
import { cloneElement, useState } from 'react';
import type { MenuButtonProps } from './menu-button';

/** The menu of a button that was pressed: open at first, and from then on opened and closed by it. */
export function OpenedMenu({ items, onChoose, children }: MenuButtonProps) {
  const [open, setOpen] = useState(true);
  return (
    <Dropdown
      trigger={['click']}
      open={open}
      onOpenChange={setOpen}
      autoFocus
      menu={{ items: [...items], onClick: ({ key }) => onChoose(key) }}
    >
      {cloneElement(children, { 'aria-haspopup': 'menu', 'aria-expanded': open })}
    </Dropdown>
  );
}
