import { createApp, h, reactive } from 'vue';

/** What is typed is held by the framework, and shown from there. */
const held = reactive({ name: '', town: '', said: '' });
const field = (key: 'name' | 'town', label: string, autocomplete: string) =>
  h('p', [
    h('label', { for: key }, label),
    h('input', {
      id: key,
      name: key,
      autocomplete,
      value: held[key],
      onInput: ({ target }: Event) => {
        held[key] = (target as HTMLInputElement).value;
      },
    }),
  ]);

createApp({
  render: () =>
    h(
      'form',
      {
        onSubmit: (event: Event) => {
          event.preventDefault();
          if (held.name === '') held.said = 'Enter your name';
          else void fetch('/order', { method: 'POST', body: JSON.stringify(held) });
        },
      },
      [
        field('name', 'Full name', 'name'),
        field('town', 'Town', 'address-level2'),
        h('p', { role: 'alert' }, held.said),
        h('button', { type: 'submit' }, 'Order'),
      ],
    ),
}).mount('#root');
