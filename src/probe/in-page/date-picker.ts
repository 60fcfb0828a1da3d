/**
 * A picker for dates that shows day, month and year and sends the standard's format. It loads only where the engine
 * does not know the kind: there the control is a text box. Needs nothing else; see docs/fallback-plans.md.
 */
export function attachDatePicker(input: HTMLInputElement): boolean {
  if (input.type !== 'text') return false;
  const sent = document.createElement('input');
  sent.type = 'hidden';
  sent.name = input.name;
  sent.value = input.value;
  input.removeAttribute('name');
  input.placeholder = 'DD.MM.YYYY';
  input.setAttribute('inputmode', 'text');
  input.value = shown(input.value);
  input.addEventListener('input', () => {
    sent.value = standard(input.value) ?? '';
    input.setCustomValidity(input.value === '' || sent.value !== '' ? '' : 'Write the date as DD.MM.YYYY.');
  });
  const calendar = calendarFor(input);
  const button = document.createElement('button');
  button.type = 'button';
  button.textContent = '▾';
  button.setAttribute('aria-label', 'Choose a date');
  button.addEventListener('click', () => calendar.toggle());
  input.after(button, sent, calendar.element);
  return true;
}

function shown(text: string): string {
  const [, year, month, day] = /^(\d{4})-(\d\d)-(\d\d)$/.exec(text) ?? [];
  return year ? `${day}.${month}.${year}` : '';
}

/** The standard's format of a date that was written as day, month, year; null when there is no such day. */
function standard(text: string): string | null {
  const [, day, month, year] = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(text.trim()) ?? [];
  if (!day || !month || !year) return null;
  const iso = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  const date = new Date(`${iso}T00:00:00Z`);
  return Number.isNaN(date.getTime()) || date.toISOString().slice(0, 10) !== iso ? null : iso;
}

function calendarFor(input: HTMLInputElement): { element: HTMLElement; toggle(): void } {
  const element = document.createElement('div');
  element.hidden = true;
  element.setAttribute('role', 'group');
  element.setAttribute('aria-label', 'Days of the month');
  const draw = () => {
    const at = new Date(`${standard(input.value) ?? new Date().toISOString().slice(0, 10)}T00:00:00Z`);
    const [year, month] = [at.getUTCFullYear(), at.getUTCMonth()];
    const days = new Date(Date.UTC(year, month + 1, 0)).getUTCDate();
    element.replaceChildren(
      ...Array.from({ length: days }, (_, index) => {
        const day = document.createElement('button');
        day.type = 'button';
        day.textContent = String(index + 1);
        day.addEventListener('click', () => {
          input.value = shown(new Date(Date.UTC(year, month, index + 1)).toISOString().slice(0, 10));
          input.dispatchEvent(new Event('input', { bubbles: true }));
          element.hidden = true;
          input.focus();
        });
        return day;
      }),
    );
  };
  return {
    element,
    toggle: () => {
      draw();
      element.hidden = !element.hidden;
    },
  };
}
