import type { Drift, Drifted } from '../drift/drift';
import { type Finding, type FoundOn, shownByTargets } from '../finding/finding';
import { type FindingPlace, findingPlaces } from '../finding/finding-place';
import { type ChangedLine, changedLines } from '../finding/remedy-edit';
import type { Field } from '../html/field';
import { readForm } from '../html/read-form';
import type { Picture } from '../observation/picture';
import type { ProvenanceMark } from '../observation/provenance';
import { provenanceMarks } from '../observation/provenance';
import { askedText, gapText } from '../words/coverage-words';
import { answerDriftWords, causeText, setupWords } from '../words/drift-words';
import { findingTitle, findingWords, targetWords } from '../words/finding-words';
import { harmTitles } from '../words/harm-words';
import { kindText } from '../words/kind-text';
import { placeText } from '../words/place-words';
import { type Html, html } from './html';
import { reportStyle } from './html-report-style';
import {
  askedTargets,
  byHarm,
  coverageIn,
  decisionText,
  formGapsIn,
  type Report,
  type ShownPictures,
  shownPictures,
  sinceBaseline,
  timeText,
} from './report';

/** A report as one HTML file: pictures inside, no scripts, nothing loaded, made to be read from disk and printed. */
export function htmlReport(report: Report): string {
  const { run, findings, drift } = report;
  const placeOf = findingPlaces(run.form.markup);
  const { fields } = readForm(run.form.markup);
  const pictures = shownPictures(run);
  const page = html`<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; img-src data:; style-src 'unsafe-inline'">
<meta name="viewport" content="width=device-width">
<title>${run.form.name}: findings</title>
<style>${{ html: reportStyle }}</style>
</head>
<body>
<header>
<h1>${run.form.name}</h1>
<p>Swept ${timeText(run.startedAt)}${run.ukko ? ` by Ukko ${run.ukko}` : ''}${run.finishedAt ? '' : ', cut short'}. ${fields.length} fields, ${run.lineUp.targets.length} targets, ${run.observations.length} answers. Written ${timeText(report.madeAt)} by Ukko ${report.ukko}.</p>
<p class="key">${provenanceMarks.map((one) => html`<span>${mark(one)} ${one}: ${markWords[one]}</span> `)}</p>
</header>
${summary(report)}
${drift ? driftPart(drift) : null}
<main>
<h2>Findings</h2>
${findings.length === 0 ? html`<p>Nothing was found.</p>` : null}
${byHarm(findings).map(
  ({ harm, findings: own }) =>
    html`<section><h3>${harmTitles[harm]} <small>${own.length}</small></h3>${own.map((one) => findingPart(report, one, pictures, placeOf(one)))}</section>`,
)}
</main>
${surveyPart(report, fields, pictures)}
${coveragePart(report)}
${targetsPart(report)}
</body>
</html>
`;
  return page.html;
}

const markWords: Readonly<Record<ProvenanceMark, string>> = {
  measured: 'a real engine did it',
  captured: 'a person or a real device did it',
  modelled: 'computed from Ukko’s own model',
};

/** The marks of the application: a ruled disc, a half disc, a dashed ring. */
const shapes: Readonly<Record<ProvenanceMark, string>> = {
  measured:
    '<circle cx="7" cy="7" r="6" fill="currentColor"/><path d="M3.5 5v4M7 4v6M10.5 5v4" stroke="var(--sheet)" stroke-width="1.4"/>',
  captured:
    '<circle cx="7" cy="7" r="5.3" fill="none" stroke="currentColor" stroke-width="1.4"/><path d="M7 1.7a5.3 5.3 0 0 1 0 10.6z" fill="currentColor"/>',
  modelled:
    '<circle cx="7" cy="7" r="5.3" fill="none" stroke="currentColor" stroke-width="1.5" stroke-dasharray="2.2 1.9"/>',
};

function mark(of: ProvenanceMark): Html {
  return html`<svg class="mark" width="13" height="13" viewBox="0 0 14 14" role="img" aria-label="${of}"><title>${of}</title>${{ html: shapes[of] }}</svg>`;
}

function summary({ findings, decisions }: Report): Html {
  return html`<table class="summary"><caption>What was found</caption>
<thead><tr><th scope="col">What it does to the person</th><th scope="col">findings</th><th scope="col">decided</th></tr></thead>
<tbody>${byHarm(findings).map(
    ({ harm, findings: own }) =>
      html`<tr><th scope="row">${harmTitles[harm]}</th><td>${own.length}</td><td>${own.filter(({ id }) => decisions.has(id)).length}</td></tr>`,
  )}</tbody></table>`;
}

function driftPart({ since, setup, fresh, gone, changed, same, answers }: Drift): Html {
  const list = (title: string, all: readonly Drifted[]) =>
    all.length > 0 &&
    html`<h3>${title} <small>${all.length}</small></h3><ul>${all.map(
      ({ finding, because }) =>
        html`<li>${findingTitle(finding)} <small>(${causeText(because)})</small></li>`,
    )}</ul>`;
  return html`<section><h2>Since ${timeText(since)}</h2>
<p>${fresh.length} new, ${changed.length} changed, ${gone.length} gone, ${same.length} as they were. ${
    setup.length > 0
      ? setup.map(setupWords).join(' ')
      : 'The form, the targets and the versions are the same.'
  }</p>
${list('New', fresh)}${list('Changed', changed)}${list('Gone', gone)}
${
  answers.length > 0 &&
  html`<h3>Other answers <small>${answers.length}</small></h3><ul>${answers.map(
    (one) =>
      html`<li>${one.field.label}: ${answerDriftWords(one).join(' ')} <small>(${causeText(one.because)})</small></li>`,
  )}</ul>`
}</section>`;
}

function findingPart(
  report: Report,
  finding: Finding,
  pictures: ShownPictures,
  place: FindingPlace | null,
): Html {
  const { field, marks, targets, change } = finding;
  const { says, why, remedy, details } = findingWords(finding);
  const standing = sinceBaseline(report, finding);
  const decision = report.decisions.get(finding.id);
  const lines = change?.kind === 'markup' ? changedLines(report.run.form.markup, change.edits) : [];
  return html`<article>
<h4>${marks.map(mark)} ${says}${standing === 'new' || standing === 'changed' ? html` <b class="standing">${standing}</b>` : null}</h4>
${place && html`<p class="on">${placeText(place, report.run.form)} <code>${place.element}</code></p>`}
${picturesOf(report, finding, pictures)}
${targets.map((on) => on.proofs.length > 0 && targetPart(on, field === null))}
${targets.length > 0 && targets.every((on) => on.proofs.length === 0) ? html`<p>On ${targets.map(({ name }) => name).join(', ')}.</p>` : null}
${details.map((text) => html`<p class="on">${text}</p>`)}
<p class="why">${why}</p>
${remedy && html`<p>${remedy}</p>`}
${lines.map(lineChange)}
${decision ? html`<p class="decision">Decision: ${decisionText(decision)}</p>` : null}
</article>`;
}

/** What a target shows; of more fields than one, a line for each. */
function targetPart(on: FoundOn, isOfMany: boolean): Html {
  const { mark: known, name } = on;
  const says = targetWords(on);
  const words = isOfMany ? html`<ul>${says.map((text) => html`<li>${text}</li>`)}</ul>` : null;
  return html`<p class="on">${mark(known)} <b>${name}</b> ${isOfMany ? null : says.join(' ')}</p>${words}`;
}

function lineChange({ line, before, after }: ChangedLine): Html {
  return html`<pre><span class="line">line ${line}</span>
<del>${before}</del>
<ins>${after}</ins></pre>`;
}

/** The control in the reference and, where targets differ, in those, side by side. */
function picturesOf(
  { run }: Report,
  { field, targets, evidence }: Finding,
  pictures: ShownPictures,
): Html | null {
  if (!field) return null;
  const differing = shownByTargets.includes(evidence) ? targets.map(({ target }) => target) : [];
  const ids = [run.lineUp.reference, ...differing];
  const shown = run.lineUp.targets.filter(({ id }) => ids.includes(id));
  const figures = shown.flatMap((target) => {
    const picture = pictures.closed(target.id, field.id);
    return picture
      ? [
          html`<figure>${image(picture, `${field.label} in ${target.name}`)}<figcaption>${target.name}</figcaption></figure>`,
        ]
      : [];
  });
  return figures.length > 0 ? html`<div class="pictures">${figures}</div>` : null;
}

function image({ data, width, height }: Picture, alt: string): Html {
  return html`<img src="data:image/png;base64,${data}" width="${width}" height="${height}" alt="${alt}">`;
}

function surveyPart({ run }: Report, fields: readonly Field[], pictures: ShownPictures): Html | null {
  const { targets } = run.lineUp;
  const withPictures = targets.filter(({ id }) => fields.some((field) => pictures.closed(id, field.id)));
  if (withPictures.length === 0) return null;
  return html`<section><h2>Every field at rest, as each target draws it</h2><table class="survey">
<thead><tr><th scope="col">field</th>${withPictures.map(({ name }) => html`<th scope="col">${name}</th>`)}</tr></thead>
<tbody>${fields
    .filter(({ kind }) => kind !== 'hidden')
    .map(
      (field) =>
        html`<tr><th scope="row">${field.label} <small>${kindText(field)}</small></th>${withPictures.map(
          ({ id, name }) => {
            const picture = pictures.closed(id, field.id);
            return html`<td>${picture ? image(picture, `${field.label} in ${name}`) : 'no picture'}</td>`;
          },
        )}</tr>`,
    )}</tbody></table></section>`;
}

function coveragePart({ run }: Report): Html | null {
  const coverage = coverageIn(run);
  if (coverage.length === 0) return null;
  return html`<section><h2>Covered and not covered</h2><table>
<thead><tr><th scope="col">field</th><th scope="col">asked</th><th scope="col">not covered</th></tr></thead>
<tbody>${coverage.map(
    (one) =>
      html`<tr><th scope="row">${one.field.label}</th><td>${askedText(one)}</td><td>${one.gaps.map((gap) => html`<p>${gapText(gap)}</p>`)}</td></tr>`,
  )}</tbody></table>${formGapsIn(run).map((text) => html`<p>${text}</p>`)}</section>`;
}

function targetsPart({ run }: Report): Html {
  return html`<section><h2>Who was asked</h2><table>
<thead><tr><th scope="col">target</th><th scope="col">known</th><th scope="col">by</th><th scope="col">answers</th><th scope="col">failed</th></tr></thead>
<tbody>${askedTargets(run).map(
    ({ target, isReference, mark: of, by, answers, failed }) =>
      html`<tr><th scope="row">${target.name}${isReference ? ' (reference)' : null}</th><td>${mark(of)} ${of}</td><td>${by.join('. ')}</td><td class="n">${answers}</td><td class="n">${failed}</td></tr>`,
  )}</tbody></table></section>`;
}
