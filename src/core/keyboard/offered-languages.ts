/** Languages that are offered where a page states none, BCP 47: with the country where it changes what people type. */
export const offeredLanguages: readonly string[] = (
  'af am ar ar-EG ar-SA as az be bg bn bs ca ckb cs cy da de de-AT de-CH de-DE el en-AU en-GB en-IN en-US es-AR es-ES es-MX et eu ' +
  'fa fi fil fo fr-CA fr-CH fr-FR ga gl gu ha he hi hr hu hy id ig is it ja ka kk km kn ko ku ky lb lo lt lv mi mk ml mn mr ms ' +
  'mt my nb ne nl nl-BE nn or pa pl ps pt-BR pt-PT ro ru sd si sk sl so sq sr sr-Latn sv sv-FI sw ta te tg th ti tk tr tt ug uk ' +
  'ur uz vi yo zh-CN zh-HK zh-TW zu'
).split(' ');
