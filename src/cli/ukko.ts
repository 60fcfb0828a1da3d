import { Command, InvalidArgumentError, Option } from 'commander';
import { phoneEngines } from '@/core/keyboard/keyboard-question';
import { isLanguageTag } from '@/core/purpose/regions';
import { sweepQuestions } from '@/core/questions/asking';
import { type PageQuestion, pageQuestions } from '@/core/questions/observation';
import { targets } from '@/core/target/line-up';
import type { Target } from '@/core/target/target';
import packageFile from '../../package.json';
import { type FailOn, failOns, failsNever, harmNames, readFailOn } from './fail-on';

const askable = targets.filter((target) => target.ask !== 'probe');

const usualQuestions = sweepQuestions.filter((question) => question !== 'typing');

const program = new Command('ukko')
  .description('Asks browsers how they draw the fields of a form, and keeps the answers with their evidence.')
  .version(packageFile.version)
  .addHelpText(
    'after',
    `
Targets
${askable.map((target) => `  ${target.id.padEnd(12)} ${target.note}`).join('\n')}

Try it
  npx --no-install ukko sweep form.html --out run.json
  npx --no-install ukko help sweep`,
  )
  .showHelpAfterError('(ukko --help explains the commands)')
  .exitOverride((error) => process.exit(error.exitCode === 0 ? 0 : 2));

program
  .command('ask')
  .description('answer questions about validity, submission and typing from the model, a line of JSON each')
  .addHelpText(
    'after',
    `
Each line of standard input is a question, each line of standard output its answer, in the same order.
A line that cannot be answered gets {"error": "…"}.

  {"ask":"validity","target":"firefox","html":"<input id=\\"t\\" type=\\"email\\">","setValue":"a@b"}
  {"ask":"submission","target":"standard","html":"<form><button id=\\"go\\">Go</button></form>","by":"#go"}

  {"ask":"typing","target":"chromium","html":"<input id=\\"t\\" type=\\"number\\">","focus":"script","keys":["1","e","5","x"]}

Targets: standard, chromium, firefox, webkit. docs/ask.md has all that can be asked.`,
  )
  .action(async () => (await import('./ask-command')).askCommand(process.stdin, process.stdout));

program
  .command('app')
  .description('start the app on this machine, for a browser, and print its address')
  .option('--port <number>', 'listen there; a free one when it is left out', readPort)
  .action(loaded(async () => (await import('./app-command')).appCommand));

withReports(
  program
    .command('sweep')
    .description('ask every target every question about every field of a form, and write the run to a file')
    .argument(
      '<form>',
      'a file with the HTML of the form, the address of a page on this machine, or - for standard input',
    ),
)
  .option(
    '--out <file>',
    'write the run, with its pictures; open it in the app, read it by docs/run-file.schema.json, or give it as a baseline later',
  )
  .addOption(targetsOption(`targets with commas between them: ${askable.map((t) => t.id).join(', ')}`))
  .addOption(
    new Option('--questions <names>', `questions with commas between them: ${pageQuestions.join(', ')}`)
      .argParser(readQuestions)
      .default(usualQuestions, usualQuestions.join(', ')),
  )
  .option('--fast', 'leave out pictures of what opens and of bubbles, which take most of the time', false)
  .option('--quiet', 'say nothing while it runs', false)
  .option('--trace <file>', 'write what the time was spent on, in the Trace Event Format, for a trace viewer')
  .option('--limit <minutes>', 'end after so long, with what was answered by then', readLimit, 60)
  .option(
    '--resume <run>',
    'keep of a run file the answers that still hold, and ask for what is missing, failed, or reached by an edit',
  )
  .option('--form <number>', 'of a page: which of its forms, from 0', readNumber, 0)
  .option('--steps <file>', 'of a page: what is done before the form is there; see docs/own-page.md')
  .option(
    '--held',
    'of a page: keep its requests on this machine and the addresses that ukko.engines.json lists',
    false,
  )
  .option('--watch', 'sweep again whenever the file or the page changes, and say what that did', false)
  .addHelpText(
    'after',
    `
Exit codes
  0  every question was answered, or has no answer for its field, and no finding fails the build
  1  some answers failed, or the sweep was stopped before its end; the run was written, with the reasons
  2  the form, the options, the baseline or an output file are wrong
  3  there are findings of the sort that --fail-on names

Examples
  npx --no-install ukko sweep form.html --targets chromium,blink-phone --out base.json
  npx --no-install ukko sweep form.html --targets chromium,blink-phone --baseline base.json --junit out.xml --fail-on new
  npx --no-install ukko sweep form.html --out run.json --limit 5
  npx --no-install ukko sweep form.html --out run.json --resume run.json
  npx --no-install ukko sweep form.html --watch
  npx --no-install ukko sweep http://localhost:5173/log --steps steps.txt --out run.json`,
  )
  .action(loaded(async () => (await import('./sweep-command')).sweepCommand));

withReports(
  program
    .command('report')
    .description('write reports of a run that was swept before, and say what is another than in a baseline')
    .argument('<run>', 'a run file, from “ukko sweep --out” or out of the app'),
)
  .addHelpText(
    'after',
    `
Exit codes
  0  no finding fails the build
  2  a run or an output file is wrong
  3  there are findings of the sort that --fail-on names

Example
  npx --no-install ukko report run.json --baseline base.json --html report.html --markdown report.md`,
  )
  .action(loaded(async () => (await import('./report-command')).reportCommand));

program
  .command('replay')
  .description(
    'type samples into a field under its guards, from the model, and compare the verdicts with those expected',
  )
  .argument('<form>', 'a form file out of the app, which has the guards, or HTML')
  .requiredOption(
    '--samples <file>',
    'CSV with the columns text and expected: accepted, unfinished or refused; any number of rows, - for standard input',
  )
  .option(
    '--field <name>',
    'the field that the samples are for, by its name; needed where several could be meant',
  )
  .addOption(targetsOption('targets that the model speaks for, with commas between them'))
  .option('--junit <file>', 'write the verdicts as JUnit XML')
  .option('--csv <file>', 'write the verdicts as CSV')
  .option('--json <file>', 'write the verdicts as JSON')
  .addHelpText(
    'after',
    `
Exit codes
  0  every verdict is the expected one
  1  some are not; they are listed
  2  the form, the samples or the options are wrong

Example
  npx --no-install ukko replay form.json --samples serials.csv --field serial --junit verdicts.xml`,
  )
  .action(loaded(async () => (await import('./replay-command')).replayCommand));

program
  .command('keyboards')
  .description(
    'tap every field of a form on a phone-sized display with a real on-screen keyboard, and report which one is shown',
  )
  .argument('<form>', 'a file with the HTML of the form, or - for standard input')
  .addOption(
    new Option('--engine <name>', 'the engine whose page is tapped')
      .choices([...phoneEngines])
      .default('chromium'),
  )
  .option('--json <file>', 'write all that was measured as JSON')
  .option('--pictures <folder>', 'write a picture of the field and its keyboard for each field')
  .addHelpText(
    'after',
    `
It is what an engine on Linux asks of a keyboard of Linux: measured, and not the answer for phones of other makers.

Exit codes
  0  every field was asked
  1  the engine, the display or the keyboard is missing, or went away; the reason is printed
  2  the form cannot be read

Example
  npx --no-install ukko keyboards form.html --engine firefox --pictures keyboards`,
  )
  .action(loaded(async () => (await import('./keyboards-command')).keyboardsCommand));

/** A command that is read in when it is run: nobody waits for engines who wants a report. */
function loaded<Given extends unknown[]>(command: () => Promise<(...given: Given) => Promise<void>>) {
  return async (...given: Given) => (await command())(...given);
}

/** The options of every command that ends in reports. */
function withReports(command: Command): Command {
  return command
    .option('--baseline <run>', 'a run file to compare with: the reports say what is new, gone and changed')
    .option('--html <file>', 'write a report as one HTML file, with its pictures')
    .option('--markdown <file>', 'write a report as Markdown, for a pull request')
    .option('--csv <file>', 'write the findings as CSV')
    .option('--json <file>', 'write a report as JSON, by docs/report.schema.json')
    .option('--junit <file>', 'write the findings as JUnit XML; those of --fail-on fail')
    .option('--sarif <file>', 'write the findings as SARIF 2.1.0, which code hosts show beside the lines')
    .option(
      '--source <path>',
      'of --sarif: the path of the form in its repository, where that is another one',
    )
    .option(
      '--decisions <file>',
      'what the team decided, as the app exports it: what is accepted fails no build (default: ukko.decisions.json, where it is there)',
    )
    .addOption(
      new Option(
        '--fail-on <sort[:harms]>',
        `which findings fail the build: ${failOns.join(', ')}; with harms, as in new:worst,lost, those alone (${Object.keys(harmNames).join(', ')})`,
      )
        .argParser(readFailOnOption)
        .default(failsNever, 'never'),
    )
    .option(
      '--no-engine-habits',
      'leave out what engines do to every field: their own sizes, words and parts',
    )
    .addOption(
      new Option(
        '--language <tag>',
        'of people who fill in a page that does not state its language, as in ja, hi or de-AT: what they type, on which keyboards (default: English)',
      ).argParser(readLanguage),
    );
}

function targetsOption(description: string): Option {
  const usual = targets.filter(({ id }) => id === 'chromium');
  return new Option('--targets <names>', description)
    .argParser(readTargets)
    .default(usual, usual.map(({ id }) => id).join(', '));
}

function readTargets(text: string): Target[] {
  return namesIn(text).map((name) => {
    const target = askable.find(({ id }) => id === name);
    if (target) return target;
    throw new InvalidArgumentError(
      `There is no target “${name}” here; choose from ${askable.map((t) => t.id).join(', ')}.`,
    );
  });
}

function readFailOnOption(text: string): FailOn {
  const failOn = readFailOn(text);
  if (failOn) return failOn;
  throw new InvalidArgumentError(
    `Choose ${failOns.join(', ')}, and harms behind a colon: ${Object.keys(harmNames).join(', ')}.`,
  );
}

function readLanguage(text: string): string {
  if (isLanguageTag(text)) return text;
  throw new InvalidArgumentError('The tag of a language is wanted, as in ja, hi or de-AT.');
}

function readNumber(text: string): number {
  if (/^\d{1,4}$/.test(text)) return Number(text);
  throw new InvalidArgumentError('A number from 0 is wanted.');
}

function readPort(text: string): number {
  if (/^\d{1,5}$/.test(text) && Number(text) > 0 && Number(text) < 65_536) return Number(text);
  throw new InvalidArgumentError('A port from 1 to 65535 is wanted.');
}

function readLimit(text: string): number {
  if (/^\d{1,4}$/.test(text) && Number(text) > 0) return Number(text);
  throw new InvalidArgumentError('A number of minutes from 1 is wanted.');
}

function readQuestions(text: string): PageQuestion[] {
  return namesIn(text).map((name) => {
    const question = pageQuestions.find((one) => one === name);
    if (question) return question;
    throw new InvalidArgumentError(
      `There is no question “${name}”; choose from ${pageQuestions.join(', ')}.`,
    );
  });
}

function namesIn(text: string): string[] {
  return [...new Set(text.split(',').map((name) => name.trim()))];
}

await program.parseAsync();
