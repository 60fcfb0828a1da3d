import { useState } from 'react';
import { createRoot } from 'react-dom/client';
import { NumericFormat } from 'react-number-format';

/** An amount with signs between its thousands, put in while it is typed. */
function Transfer() {
  const [amount, setAmount] = useState('');
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void fetch('/transfer', { method: 'POST', body: amount });
      }}
    >
      <label htmlFor="amount">Amount in euros</label>
      <NumericFormat
        id="amount"
        name="amount"
        inputMode="decimal"
        thousandSeparator=","
        value={amount}
        onValueChange={({ value }) => setAmount(value)}
      />
      <button type="submit">Transfer</button>
    </form>
  );
}

createRoot(document.getElementById('root') as HTMLElement).render(<Transfer />);
