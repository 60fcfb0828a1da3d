import { inapplicable, probeField, type QuestionContext } from './question-context';

/** What assistive technology is told of each field, while the page is as it is at first. */
export async function askAccessibility({ page, asking, answer }: QuestionContext): Promise<void> {
  const { fields } = asking;
  // What was filled in for an earlier question would be told too.
  await page.probe('reset');
  const reading = await page.accessibility(fields.map(probeField));
  await page.probe('reset');
  for (const [index, { id }] of fields.entries()) {
    if (reading.status !== 'read') {
      answer(id, { question: 'accessibility', outcome: reading });
      continue;
    }
    const facts = reading.facts[index] ?? null;
    const outcome = facts === null ? inapplicable('not exposed') : ({ status: 'answered', facts } as const);
    answer(id, { question: 'accessibility', outcome });
  }
}
