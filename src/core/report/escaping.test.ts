import fc from 'fast-check';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { parseFragment } from 'parse5';
import { describe, expect, it } from 'vitest';
import { html } from './html';
import { junitXml } from './junit';

const hostile = fc.oneof(
  fc.string({ unit: 'binary', maxLength: 20 }),
  fc.constantFrom(
    '<script>alert(1)</script>',
    '"><img src=x onerror=x>',
    ']]>',
    '&amp;',
    '--><!--',
    '\u0000\u0008',
  ),
);

describe('what stands in a report', () => {
  it('is text, whatever it says', () => {
    fc.assert(
      fc.property(hostile, hostile, (inText, inAttribute) => {
        const written = html`<p title="${inAttribute}">${inText}</p>`.html;
        const { childNodes } = parseFragment(written);
        expect(childNodes.map(({ nodeName }) => nodeName)).toEqual(['p']);
        const [paragraph] = childNodes;
        if (!paragraph || !('attrs' in paragraph)) throw new Error(written);
        expect(paragraph.attrs.map(({ name }) => name)).toEqual(['title']);
        expect(paragraph.childNodes.every(({ nodeName }) => nodeName === '#text')).toBe(true);
      }),
    );
  });

  it('leaves out what is not there, and puts lists and HTML in as they are', () => {
    expect(html`<b>${null}${false}${[1, 'a&b', html`<i>${'<'}</i>`]}</b>`.html).toBe(
      '<b>1a&amp;b<i>&lt;</i></b>',
    );
  });
});

describe('JUnit XML', () => {
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    parseAttributeValue: false,
    trimValues: false,
  });

  it('is well-formed, and counts what failed, whatever it says', () => {
    const one = fc.record({
      classname: hostile,
      name: hostile,
      failure: fc.option(hostile),
      output: hostile,
    });
    fc.assert(
      fc.property(hostile, fc.array(one, { minLength: 1, maxLength: 4 }), (name, cases) => {
        const xml = junitXml([{ name, cases }]);
        expect(XMLValidator.validate(xml)).toBe(true);
        const { testsuite } = parser.parse(xml).testsuites;
        expect(testsuite['@tests']).toBe(String(cases.length));
        expect(testsuite['@failures']).toBe(String(cases.filter(({ failure }) => failure !== null).length));
        expect([testsuite.testcase].flat()).toHaveLength(cases.length);
      }),
    );
  });

  it('writes what XML cannot hold as in JavaScript', () => {
    expect(junitXml([{ name: 'a\u0001b', cases: [] }])).toContain('name="a\\u0001b"');
  });
});
