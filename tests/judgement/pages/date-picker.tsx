import { useState } from 'react';
import DatePicker from 'react-datepicker';
import { createRoot } from 'react-dom/client';

/** A calendar that opens at the field, which may be typed into. */
function Trip() {
  const [day, setDay] = useState<Date | null>(null);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void fetch('/trip', { method: 'POST', body: String(day) });
      }}
    >
      <label htmlFor="day">Day of the trip</label>
      <DatePicker id="day" name="day" selected={day} onChange={(next: Date | null) => setDay(next)} />
      <label>
        Notes <input name="notes" />
      </label>
      <button type="submit">Plan</button>
    </form>
  );
}

createRoot(document.getElementById('root') as HTMLElement).render(<Trip />);
