import Quill from 'quill';

/** A text that is written in an editor, and sent by a script. */
const root = document.getElementById('root') as HTMLElement;
root.innerHTML = `
  <form>
    <label>Station <input name="station" required></label>
    <p id="remarks-label">Remarks</p>
    <div id="remarks" style="border: 1px solid; min-height: 4em"></div>
    <p role="alert"></p>
    <button>Send entry</button>
  </form>`;
const editor = new Quill('#remarks', { formats: ['bold', 'italic'] });
editor.root.setAttribute('role', 'textbox');
editor.root.setAttribute('aria-multiline', 'true');
editor.root.setAttribute('aria-labelledby', 'remarks-label');

const form = root.querySelector('form') as HTMLFormElement;
form.addEventListener('submit', (event) => {
  event.preventDefault();
  const alert = form.querySelector('[role=alert]') as HTMLElement;
  const remarks = editor.getText().trim();
  alert.textContent = remarks === '' ? 'Write your remarks.' : '';
  if (remarks === '') editor.focus();
  else void fetch('/entry', { method: 'POST', body: JSON.stringify({ remarks }) });
});
