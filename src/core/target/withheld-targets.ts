import { type EngineTarget, engineName, engineTarget, targetId } from './target';
import type { Withheld } from './withheld';

function older(id: string, engine: string, name: string, withheld: Withheld): EngineTarget {
  const lacks = [...withheld.kinds, ...withheld.attributes].join(', ');
  return {
    ...engineTarget(
      engine,
      name,
      `The engine on this machine, given a page in which these are unknown: ${lacks}.`,
    ),
    id: targetId(id),
    engine: engineName(engine),
    withheld,
  };
}

/**
 * Engines of earlier years: a real engine of today that is given a page in which what they lacked is unknown. How they
 * drew a plain text box is today's; that it is a plain text box, what can be typed and what is sent, is theirs.
 */
export const withheldTargets: readonly EngineTarget[] = [
  older('gecko-2016', 'firefox', 'Gecko of 2016', {
    kinds: ['date', 'time', 'datetime-local', 'month', 'week'],
    attributes: [],
    source:
      'Firefox 57 (November 2017) switched date and time on, Firefox 93 (October 2021) datetime-local; month and week are still missing on the desktop. From the release notes for developers, as remembered; not checked here.',
  }),
  older('gecko-2012', 'firefox', 'Gecko of 2012', {
    kinds: ['date', 'time', 'datetime-local', 'month', 'week', 'number', 'range', 'color'],
    attributes: ['minlength'],
    source:
      'Firefox 23 (August 2013) brought range, Firefox 29 (April 2014) number and color, Firefox 51 (January 2017) minlength. From the release notes for developers, as remembered; not checked here.',
  }),
  older('webkit-2020', 'webkit', 'Desktop WebKit of 2020', {
    kinds: ['date', 'time', 'datetime-local', 'month', 'week'],
    attributes: [],
    source:
      'Safari 14.1 (April 2021) was the first on the desktop with date, time and datetime-local; month and week are still missing there. From the release notes, as remembered; not checked here.',
  }),
  older('webkit-2018', 'webkit', 'Desktop WebKit of 2018', {
    kinds: ['date', 'time', 'datetime-local', 'month', 'week', 'color'],
    attributes: ['list', 'inputmode', 'enterkeyhint'],
    source:
      'Safari 12.1 (March 2019) brought color and suggestion lists to the desktop. From the release notes, as remembered; not checked here.',
  }),
  older('html-4', 'chromium', 'A browser that knows HTML 4.01 only', {
    kinds: [
      'search',
      'tel',
      'url',
      'email',
      'date',
      'month',
      'week',
      'time',
      'datetime-local',
      'number',
      'range',
      'color',
    ],
    attributes: [
      'placeholder',
      'required',
      'min',
      'max',
      'step',
      'minlength',
      'pattern',
      'multiple',
      'list',
      'autocomplete',
      'autocapitalize',
      'autofocus',
      'inputmode',
      'enterkeyhint',
      'spellcheck',
      'form',
      'formaction',
      'formmethod',
      'formenctype',
      'formtarget',
      'formnovalidate',
      'dirname',
    ],
    source:
      'HTML 4.01, “17.4.1 Control types created with INPUT” and the attribute definitions of 17.3 to 17.7: what is not named there is withheld (of multiple, only for inputs).',
  }),
];
