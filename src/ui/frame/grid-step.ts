/** Where an arrow key goes in a grid, in rows and columns; null for other keys. */
export function gridStep(key: string): { readonly down: number; readonly right: number } | null {
  switch (key) {
    case 'ArrowUp':
      return { down: -1, right: 0 };
    case 'ArrowDown':
      return { down: 1, right: 0 };
    case 'ArrowLeft':
      return { down: 0, right: -1 };
    case 'ArrowRight':
      return { down: 0, right: 1 };
    default:
      return null;
  }
}
