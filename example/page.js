// The page's own scripts, with the habits that such scripts have. Nothing here knows of Ukko.
const byName = (name) => document.querySelector(`#entry [name=${name}]`);

document.querySelector('#new').addEventListener('click', () => document.querySelector('#sheet').showModal());

// A serial number in a component of its own: hyphens are put in, and the caret lands at the end.
class GaugeSerial extends HTMLElement {
  connectedCallback() {
    this.attachShadow({ mode: 'open' }).innerHTML =
      '<style>input{padding:6px 8px;border:1px solid #5b7f88;border-radius:8px;font:15px monospace;width:100%;box-sizing:border-box}</style><input name="serial" aria-label="Gauge serial" maxlength="11" placeholder="XXX-0000-XX">';
    const input = this.shadowRoot.querySelector('input');
    input.addEventListener('input', () => {
      const plain = input.value.toUpperCase().replace(/[^A-Z0-9]/g, '');
      input.value = [plain.slice(0, 3), plain.slice(3, 7), plain.slice(7, 9)].filter(Boolean).join('-');
    });
  }
}
customElements.define('gauge-serial', GaugeSerial);

// A field whose value is kept elsewhere and written back after every event, as frameworks do it; this one does it late.
let station = '';
byName('station').addEventListener('input', ({ target }) => {
  station = target.value.toUpperCase();
  target.value = '';
  target.value = station;
});

// A filter on keys: it forgets everything that is not a digit, Backspace and the arrows among it.
byName('gulls').addEventListener('keydown', (event) => {
  if (!/^[0-9]$/.test(event.key)) event.preventDefault();
});

// A picker of its own: thirty days, for every month, written in its own way.
const days = document.querySelector('.days');
for (let day = 1; day <= 30; day++) {
  const button = document.createElement('button');
  button.type = 'button';
  button.textContent = day;
  button.addEventListener('click', () => {
    byName('date').value = `${day}.3.2026`;
    days.classList.remove('open');
  });
  days.append(button);
}
byName('date').addEventListener('focus', () => days.classList.add('open'));

// Sent by script, with the value of the component, which no form collects.
document.querySelector('#entry').addEventListener('submit', async (event) => {
  event.preventDefault();
  const entry = Object.fromEntries(new FormData(event.target));
  entry.serial = document.querySelector('gauge-serial').shadowRoot.querySelector('input').value;
  await fetch('/log', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(entry),
  });
  document.querySelector('#sheet').close();
});
