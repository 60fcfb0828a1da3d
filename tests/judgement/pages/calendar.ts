import flatpickr from 'flatpickr';

/** A read-only field from which a calendar opens. */
const root = document.getElementById('root') as HTMLElement;
root.innerHTML =
  '<form method="post" action="/visit"><label>Day of the visit <input name="day"></label><label>Name <input name="name" autocomplete="name"></label><button>Book</button></form>';
flatpickr(root.querySelector('input') as HTMLInputElement, {});
