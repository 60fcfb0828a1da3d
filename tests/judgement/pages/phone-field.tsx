import { useState } from 'react';
import { createRoot } from 'react-dom/client';
import PhoneInput from 'react-phone-number-input';

/** A phone number that is written as its country writes it, with a list of countries before it. */
function Contact() {
  const [phone, setPhone] = useState<string | undefined>();
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void fetch('/contact', { method: 'POST', body: phone ?? '' });
      }}
    >
      <label htmlFor="phone">Phone</label>
      <PhoneInput
        id="phone"
        name="phone"
        defaultCountry="FI"
        value={phone}
        onChange={(next) => setPhone(next)}
      />
      <button type="submit">Save</button>
    </form>
  );
}

createRoot(document.getElementById('root') as HTMLElement).render(<Contact />);
