/** A mask as they are often written: the value is set anew with every input, and the caret goes to the end; letters are swallowed. */
const root = document.getElementById('root') as HTMLElement;
root.innerHTML =
  '<form method="post" action="/call"><label>Phone <input type="tel" name="phone" autocomplete="tel"></label><label>Reference <input name="reference"></label><button>Call me</button></form>';
const [phone, reference] = root.querySelectorAll('input');
phone?.addEventListener('input', () => {
  const digits = phone.value.replace(/\D/g, '').slice(0, 10);
  phone.value = digits.replace(/^(\d{3})(\d)/, '($1) $2').replace(/(\d{3})(\d{1,4})$/, '$1-$2');
});
reference?.addEventListener('keydown', (event) => {
  if (event.key === 'Backspace' || event.key === 'ArrowLeft') event.preventDefault();
});
