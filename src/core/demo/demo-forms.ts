import { fieldId } from '../form/field';
import type { FormDocument, FormId } from '../form/form-document';
import { hurriedTideLog } from './hurried-tide-log';
import { skerryTideLog } from './skerry-tide-log';

export const demoForm: FormDocument = {
  id: 'skerry-tide-log' as FormId,
  name: 'Skerry Tide Log',
  markup: skerryTideLog,
  typing: {
    [fieldId('level')]: {
      script: [
        '# Too many decimals, mended, and a letter',
        'type "-1.255"',
        'key Backspace x2',
        'type "5m"',
      ].join('\n'),
      guards: [{ kind: 'decimals', stage: 'before insert', id: 'level-decimals', on: true, most: 2 }],
    },
  },
};

export const hurriedForm: FormDocument = {
  id: 'hurried-tide-log' as FormId,
  name: 'Skerry Tide Log, in a hurry',
  markup: hurriedTideLog,
  typing: {},
};

export const demoForms: readonly FormDocument[] = [demoForm, hurriedForm];
