import { attachDatePicker } from './date-picker';

for (const input of document.querySelectorAll<HTMLInputElement>('input[data-picker]'))
  attachDatePicker(input);
