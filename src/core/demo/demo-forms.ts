import type { FormDocument, FormId } from '../document/form-document';
import { fieldId } from '../html/field';
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
    [fieldId('serial')]: {
      script: [
        '# The plate in small letters, a slip, and the same out of a letter',
        'type "tg4771"',
        'key Backspace',
        'type "19qx"',
        'select all',
        'paste " TG4 7719 QX "',
        'leave',
      ].join('\n'),
      guards: [
        {
          kind: 'allow',
          stage: 'after input',
          id: 'serial-characters',
          on: true,
          set: { classes: ['ASCII letters', 'ASCII digits'], own: '-' },
        },
        { kind: 'case', stage: 'after input', id: 'serial-case', on: true, to: 'upper' },
        { kind: 'mask', stage: 'after input', id: 'serial-mask', on: true, mask: 'XXX-0000-AA' },
      ],
      samples: [
        'text,expected',
        'TG4-7719-QX,accepted',
        'tg47719qx,accepted',
        'TG4 7719 QX,accepted',
        'HST-0042-AB,accepted',
        'TG4-77,unfinished',
        'TG4-7719-Q1,unfinished',
        'TG4-7719-QXX,accepted',
        'TG-47719-QX,refused',
        '№ TG4-7719-QX,accepted',
      ].join('\n'),
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
