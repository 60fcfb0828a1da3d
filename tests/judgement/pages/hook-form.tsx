import { createRoot } from 'react-dom/client';
import { useForm } from 'react-hook-form';

interface Entry {
  readonly first: string;
  readonly email: string;
  readonly plan: string;
  readonly terms: boolean;
}

/** Uncontrolled fields, checked by the library when they are sent. */
function SignUp() {
  const { register, handleSubmit, formState } = useForm<Entry>();
  const { errors } = formState;
  const send = handleSubmit((entry) =>
    fetch('/signup', { method: 'POST', body: JSON.stringify(entry) }).then(() => undefined),
  );
  return (
    <form noValidate onSubmit={send}>
      <label htmlFor="first">First name</label>
      <input
        id="first"
        autoComplete="given-name"
        aria-invalid={Boolean(errors.first)}
        {...register('first', { required: 'Enter your first name' })}
      />
      <p role="alert">{errors.first?.message}</p>
      <label htmlFor="email">Email</label>
      <input
        id="email"
        type="email"
        autoComplete="email"
        aria-invalid={Boolean(errors.email)}
        {...register('email', {
          required: 'Enter your email address',
          pattern: { value: /^\S+@\S+$/, message: 'Enter a whole email address' },
        })}
      />
      <p role="alert">{errors.email?.message}</p>
      <label htmlFor="plan">Plan</label>
      <select id="plan" {...register('plan')}>
        <option value="">Choose</option>
        <option value="day">Day</option>
        <option value="year">Year</option>
      </select>
      <label>
        <input type="checkbox" {...register('terms')} /> I accept the terms
      </label>
      <button type="submit">Sign up</button>
    </form>
  );
}

createRoot(document.getElementById('root') as HTMLElement).render(<SignUp />);
