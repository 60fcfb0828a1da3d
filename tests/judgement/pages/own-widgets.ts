/** Widgets of somebody's own, two of them forgotten by the keyboard. */
export {};

const root = document.getElementById('root') as HTMLElement;
root.innerHTML = `
  <form action="/berth" method="post">
    <label>Boat <input name="boat" required></label>
    <div role="spinbutton" tabindex="0" aria-label="Nights" aria-valuenow="1" style="border: 1px solid; width: 4em">1</div>
    <div role="spinbutton" tabindex="0" aria-label="Crew" aria-valuenow="2" style="border: 1px solid; width: 4em">2</div>
    <div role="slider" aria-label="Length" aria-valuenow="9" style="border: 1px solid; width: 8em">9 m</div>
    <div role="slider" tabindex="0" aria-disabled="true" aria-label="Draught" aria-valuenow="1" style="width: 8em">1 m</div>
    <div role="slider" tabindex="0" aria-valuenow="5" style="border: 1px solid; width: 8em">5</div>
    <input type="hidden" name="nights" value="1">
    <button>Ask for a berth</button>
  </form>`;

const counts = (label: string) => root.querySelector(label) as HTMLElement;
const step: Readonly<Record<string, number>> = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 };
for (const element of [counts('[aria-label=Nights]'), counts('[role=slider]:not([aria-label])')])
  element.addEventListener('keydown', (event) => {
    const by = step[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const now = String(Number(element.getAttribute('aria-valuenow')) + by);
    element.setAttribute('aria-valuenow', now);
    element.textContent = now;
  });
// It counts on a click alone.
const crew = counts('[aria-label=Crew]');
crew.addEventListener('click', () => {
  crew.setAttribute('aria-valuenow', String(Number(crew.getAttribute('aria-valuenow')) + 1));
});
