import type { Provenance } from '../observation/provenance';
import type { Unable } from '../observation/unable';
import { languageName } from '../target/variant';

/** One line for people: who answered, and how. */
export function provenanceText(provenance: Provenance): string {
  switch (provenance.mark) {
    case 'measured':
      return [
        `Measured: ${provenance.engine} ${provenance.version} over ${provenance.protocol}`,
        ...provenance.unable.map(unableText),
      ].join('. ');
    case 'captured':
      return `Captured: ${provenance.browser}, ${provenance.events} events`;
    case 'modelled':
      return `Modelled: ${provenance.source}`;
  }
}

/** What an engine could not be set up for. */
export function unableText(unable: Unable): string {
  switch (unable.code) {
    case 'language':
      return `It does not ask pages for ${languageName(unable.wanted)} (${unable.asksFor.join(', ')})`;
    case 'locale':
      return `It formats dates and numbers for ${unable.is}, not for ${languageName(unable.wanted)}`;
    case 'words': {
      const missing = `It has no messages in ${languageName(unable.wanted)}`;
      return unable.package === null
        ? missing
        : `${missing}; “apt-get install ${unable.package}” provides them`;
    }
    case 'colour scheme':
      return `It does not apply the ${unable.wanted} colour scheme`;
    case 'zoom':
      return `Its zoom is ${unable.is * 100} %, not ${unable.wanted * 100} %`;
    case 'width':
      return `Its viewport is ${unable.is} px wide, not ${unable.wanted}`;
    case 'older':
      return unable.text;
  }
}
