import * as Select from '@radix-ui/react-select';
import * as Slider from '@radix-ui/react-slider';
import { useState } from 'react';
import { createRoot } from 'react-dom/client';

const tides = ['rising', 'slack', 'falling'];

/** Widgets by their roles, each with a hidden control of the same name behind it. */
function TideEntry() {
  const [sent, setSent] = useState('');
  return (
    <form
      action="/tide"
      method="post"
      onSubmit={async (event) => {
        event.preventDefault();
        await fetch('/tide', { method: 'POST', body: new FormData(event.currentTarget) });
        setSent('Thank you');
      }}
    >
      <label htmlFor="station">Station</label>
      <input id="station" name="station" required />
      <p id="tide-label">Tide</p>
      <Select.Root name="tide" required>
        <Select.Trigger aria-labelledby="tide-label">
          <Select.Value placeholder="Choose" />
        </Select.Trigger>
        <Select.Portal>
          <Select.Content>
            <Select.Viewport>
              {tides.map((tide) => (
                <Select.Item key={tide} value={tide}>
                  <Select.ItemText>{tide}</Select.ItemText>
                </Select.Item>
              ))}
            </Select.Viewport>
          </Select.Content>
        </Select.Portal>
      </Select.Root>
      <p id="sea-label">Sea state</p>
      <Slider.Root
        name="sea"
        defaultValue={[3]}
        max={9}
        style={{ position: 'relative', display: 'flex', width: 200, height: 20 }}
      >
        <Slider.Track style={{ flex: 1, background: '#9ab' }}>
          <Slider.Range />
        </Slider.Track>
        <Slider.Thumb
          aria-labelledby="sea-label"
          style={{ display: 'block', width: 20, height: 20, background: '#234' }}
        />
      </Slider.Root>
      <button type="submit">Send entry</button>
      <p role="status">{sent}</p>
    </form>
  );
}

createRoot(document.getElementById('root') as HTMLElement).render(<TideEntry />);
