import IMask from 'imask';

/** A card number in groups of four, by a mask that keeps the caret where it belongs. */
const root = document.getElementById('root') as HTMLElement;
root.innerHTML =
  '<form method="post" action="/pay"><label>Card number <input name="card" inputmode="numeric" autocomplete="cc-number"></label><button>Pay</button></form>';
IMask(root.querySelector('input') as HTMLInputElement, { mask: '0000 0000 0000 0000[ 000]' });
