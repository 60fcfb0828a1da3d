import { expose, transfer } from 'comlink';
import type { FormDocument } from '@/core/document/form-document';
import { markupFaults } from '@/core/fault/markup-faults';
import type { MarkupFault } from '@/core/fault/page-under-check';
import { findingsOfRun, formFindings } from '@/core/finding/collect-findings';
import { type Finding, harms } from '@/core/finding/finding';
import type { Guard } from '@/core/guard/guard';
import { type IndexReading, indexSamples, withTable } from '@/core/guard/indexed-samples';
import type { Sample } from '@/core/guard/sample';
import { firstSamples, readSamples } from '@/core/guard/sample-table';
import type { Field, FieldId } from '@/core/html/field';
import { pageOf } from '@/core/html/page-controls';
import { readForm } from '@/core/html/read-form';
import type { AskedKeyboard } from '@/core/keyboard/asked-keyboards';
import { cheapestForRule } from '@/core/keyboard/cheapest-for-rule';
import {
  type KeyboardCheck,
  keyboardCheck,
  type TrapsBySort,
  trapOnLayout,
  trapsBySort,
} from '@/core/keyboard/keyboard-check';
import type { KeyboardSetup } from '@/core/keyboard/keyboard-setup';
import type { KeyboardSort } from '@/core/keyboard/keyboards';
import type { RuledField } from '@/core/keyboard/ruled-field';
import type { Setting } from '@/core/keyboard/settings';
import type { Trap } from '@/core/keyboard/trap';
import { habitsOf } from '@/core/model/deviations/habits';
import { type SubmissionOutlook, submissionOutlook } from '@/core/model/submission-outlook';
import { scriptTyping } from '@/core/model/type-script';
import { type EditedRule, editedPattern } from '@/core/pattern/edited-rule';
import { type SlowPattern, slowPattern } from '@/core/pattern/slow-pattern';
import type { Purpose } from '@/core/purpose/purpose';
import type { BypassRow } from '@/core/questions/restriction/facts';
import type { Pattern } from '@/core/regexp/pattern';
import { bypassTable } from '@/core/replay/bypass';
import { type ModelledReplay, type ReplayTail, tailOf } from '@/core/replay/modelled-replay';
import { replaySamples, type SampleVerdicts } from '@/core/replay/replay-samples';
import { restrictionByModel } from '@/core/replay/restriction-by-model';
import { strokeVerdicts } from '@/core/replay/stroke-verdicts';
import { type TwoStageCheck, twoStageCheck } from '@/core/replay/two-stage';
import { type RuleReport, ruleReport, type SampleStanding, textStanding } from '@/core/rules/rule-report';
import { liveRules, nativeRule, submitRule } from '@/core/rules/rule-table';
import { habitsByRoute } from '@/core/rules/usual-habits';
import type { Run } from '@/core/run/run';
import type { Script } from '@/core/script/stroke';
import type { TargetId } from '@/core/target/target';
import { type ToldFault, toldFault } from '@/core/words/told-fault';

/** A field in its markup, which a worker reads for itself. */
export interface ReplayedField {
  readonly markup: string;
  /** Of people, where the markup states none, BCP 47. */
  readonly language: string | undefined;
  readonly field: FieldId;
}

function fieldIn({ markup, language, field }: ReplayedField): Field | null {
  return readForm(markup, language).fields.find(({ id }) => id === field) ?? null;
}

function ruledField(of: ReplayedField, guards: readonly Guard[], samples: string): RuledField | null {
  const field = fieldIn(of);
  return field && { field, guards, samples: firstSamples(samples) };
}

type Progress = (done: number) => unknown;

/** How often progress is told, ms. */
const tellEvery = 60;

async function withProgress<T>(run: Generator<number, T>, progress: Progress): Promise<T> {
  const tell = nowAndThen(progress);
  for (;;) {
    const step = run.next();
    if (step.done) return step.value;
    tell(step.value);
  }
}

/** Tells some times a second, however often it is called. */
function nowAndThen(progress: Progress): Progress {
  let told = Date.now();
  return (done) => {
    if (Date.now() - told < tellEvery) return;
    told = Date.now();
    progress(done);
  };
}

/** Tells how much of `all` is done, 0 to 1. */
const toldOf = (all: number, progress: Progress): Progress => nowAndThen((done) => progress(done / all));

/** Its lists go over to the page as they are, and are gone here. */
function handedOver(reading: IndexReading): IndexReading {
  if (reading.status === 'fault') return reading;
  const { starts, ends, expected } = reading.samples;
  return transfer(reading, [starts.buffer, ends.buffer, expected.buffer]);
}

/** What the page was told of each target last. */
const told = new Map<TargetId, ModelledReplay>();

type Typings = Map<TargetId, ReturnType<typeof scriptTyping>>;
let typing: { readonly of: string; readonly typings: Typings } | null = null;

/** By target, how far the field with these guards was typed into. */
function typingsOf({ markup }: ReplayedField, field: Field, guards: readonly Guard[]): Typings {
  const of = JSON.stringify([markup, field.id, guards]);
  if (typing?.of !== of) typing = { of, typings: new Map() };
  return typing.typings;
}

/** Replays where it holds nothing up. What a pattern makes slow is counted in steps, and given up with `GaveUp`. */
const replayWork = {
  /** Each target's own script; only what came out otherwise than the last time is given. */
  strokes(
    of: ReplayedField,
    guards: readonly Guard[],
    scripts: readonly (readonly [TargetId, Script])[],
  ): ReplayTail[] {
    const field = fieldIn(of);
    if (!field) return [];
    const typings = typingsOf(of, field, guards);
    const replays = scripts.flatMap(([target, script]): ModelledReplay[] => {
      const habits = habitsOf(target);
      if (!habits) return [];
      const type =
        typings.get(target) ?? scriptTyping(field, guards, { ...habits, now: new Date() }, pageOf(of.markup));
      typings.set(target, type);
      const facts = type(script);
      return [{ target, facts, verdicts: strokeVerdicts(field, guards, habits, facts) }];
    });
    // Told at last, all at once: of what was given up on the way the page hears nothing.
    return replays.map((replay) => {
      const tail = tailOf(told.get(replay.target) ?? null, replay);
      told.set(replay.target, replay);
      return tail;
    });
  },

  /**
   * What is wrong with the markup of a form.
   * @param guarded fields with rules that act while one types, and may put in what a keypad lacks
   */
  faults(markup: string, language: string | undefined, guarded: readonly FieldId[]): ToldFault[] {
    const ids = new Set(guarded);
    const isPutIn = ({ fault, field }: MarkupFault) =>
      fault.code === 'keypad lacks a character' && field !== null && ids.has(field.id);
    return markupFaults(markup, readForm(markup, language))
      .filter((one) => !isPutIn(one))
      .map(toldFault);
  },

  /** What comes of a button and of every other way to send its form. */
  submission(
    form: Pick<FormDocument, 'markup' | 'page' | 'language'>,
    button: FieldId,
    targets: readonly TargetId[],
  ): SubmissionOutlook | null {
    const field = fieldIn({ markup: form.markup, language: form.language, field: button });
    return field && submissionOutlook(form, readForm(form.markup, form.language).fields, field, targets);
  },

  /** Traps and taps on the keyboard that each target brings up. */
  keyboardChecks(
    of: ReplayedField,
    guards: readonly Guard[],
    samples: string,
    targets: readonly TargetId[],
    setup: KeyboardSetup,
  ): KeyboardCheck[] {
    const ruled = ruledField(of, guards, samples);
    return ruled ? targets.flatMap((target) => keyboardCheck(ruled, target, setup)) : [];
  },

  /** What each of a target's keyboards cannot produce of what the rule accepts. */
  trapsBySort(
    of: ReplayedField,
    guards: readonly Guard[],
    samples: string,
    target: TargetId,
    setup: KeyboardSetup,
  ): TrapsBySort | null {
    const ruled = ruledField(of, guards, samples);
    return ruled && trapsBySort(ruled, target, setup);
  },

  /**
   * The cheapest change of a field that brings a wanted keyboard up in every phone browser.
   * @param wanted null: whatever can type every value that the rule accepts
   */
  cheapestSetting(
    of: ReplayedField,
    guards: readonly Guard[],
    samples: string,
    wanted: KeyboardSort | null,
    setup: KeyboardSetup,
  ): Setting | null {
    const ruled = ruledField(of, guards, samples);
    return ruled && cheapestForRule(ruled, wanted, setup);
  },

  /**
   * Everything that is found about a form before any target was asked about more than its keyboard.
   * @param progress hears how many fields are done, some times a second
   */
  async findings(
    form: Pick<FormDocument, 'markup' | 'typing' | 'page' | 'language'>,
    setup: KeyboardSetup,
    asked: readonly AskedKeyboard[],
    progress: Progress,
  ): Promise<Finding[]> {
    return withProgress(
      formFindings(form, setup, restrictionByModel(new Date().toISOString()), asked),
      progress,
    );
  },

  /** How many findings a sweep has by what they do to the person, the worst first as in `harms`. */
  harmsOfRun(run: Pick<Run, 'form' | 'lineUp' | 'observations'>, setup: KeyboardSetup): number[] {
    const found = findingsOfRun(run, setup, restrictionByModel(new Date().toISOString()));
    return harms.map((harm) => found.filter((one) => one.harm === harm).length);
  },

  /** What the field's rule accepts and the layouts that really came up cannot produce; null for those of unknown keys. */
  layoutTraps(
    of: ReplayedField,
    guards: readonly Guard[],
    samples: string,
    layouts: readonly (readonly [TargetId, string])[],
  ): (readonly [TargetId, Trap | null])[] {
    const ruled = ruledField(of, guards, samples);
    return ruled ? layouts.map(([target, layout]) => [target, trapOnLayout(layout, ruled, target)]) : [];
  },

  /** Everything that is shown beside a rule while it is edited. */
  rule(
    of: ReplayedField,
    guards: readonly Guard[],
    samples: readonly Sample[],
    edited: EditedRule,
    saved: string,
    purpose: Purpose | null,
  ): RuleReport | null {
    const field = fieldIn(of);
    const pattern = field && editedPattern(field, guards, edited);
    return field && pattern
      ? ruleReport({
          pattern,
          holdsEmpty: edited.of === 'guard',
          saved,
          samples,
          purpose,
          language: field.controls[0].language,
          live: liveRules(guards),
          native: nativeRule(field),
          submit: submitRule(field, guards, habitsByRoute('hardware keys')),
        })
      : null;
  },

  /** How one text stands to a rule, for a text that is being typed: the tables are there already. */
  ruleStanding(
    of: ReplayedField,
    guards: readonly Guard[],
    edited: EditedRule,
    saved: string,
    text: string,
  ): SampleStanding | null {
    const field = fieldIn(of);
    const pattern = field && editedPattern(field, guards, edited);
    if (!field || !pattern) return null;
    const submit = submitRule(field, guards, habitsByRoute('hardware keys'));
    return textStanding({ pattern, saved, submit }, text);
  },

  /** Whether a pattern makes a page stand still over a text that can be entered into the field; null: it does not. */
  slowness(of: ReplayedField, pattern: Pattern): SlowPattern | null {
    const field = fieldIn(of);
    return field && slowPattern(field, pattern);
  },

  waysIn(of: ReplayedField, guards: readonly Guard[], samples: string): BypassRow[] {
    const field = fieldIn(of);
    const texts = firstSamples(samples).map(({ text }) => text);
    return field ? bypassTable(field, guards, texts, habitsByRoute, pageOf(of.markup), new Date()) : [];
  },

  /**
   * The samples of a table.
   * @param progress hears how much of it is read, 0 to 1, some times a second
   */
  indexedSamples(table: string, progress: Progress): IndexReading {
    return handedOver(indexSamples(table, toldOf(table.length, progress)));
  },

  /** Those of a table, and of another one behind them. */
  async addedSamples(
    table: string,
    more: string | File,
    onlyNew: boolean,
    progress: Progress,
  ): Promise<IndexReading> {
    const text = typeof more === 'string' ? more : await more.text();
    const told = toldOf(table.length + text.length, progress);
    const there = indexSamples(table, told);
    if (there.status === 'fault') return there;
    return handedOver(withTable(there.samples, text, onlyNew, (done) => told(table.length + done)));
  },

  /**
   * @param most only so many samples are tried
   * @param progress hears how many are done, some times a second
   */
  async twoStages(
    of: ReplayedField,
    guards: readonly Guard[],
    table: string,
    most: number,
    progress: Progress,
  ): Promise<TwoStageCheck | null> {
    const field = fieldIn(of);
    const texts = firstSamples(table, most).map(({ text }) => text);
    return (
      field && withProgress(twoStageCheck(field, guards, texts, habitsByRoute('hardware keys')), progress)
    );
  },

  /** @param progress hears how many sample × target pairs are done, some times a second */
  async samples(
    of: ReplayedField,
    guards: readonly Guard[],
    table: string,
    targets: readonly TargetId[],
    progress: Progress,
  ): Promise<SampleVerdicts> {
    const field = fieldIn(of);
    const reading = readSamples(table);
    const known = targets.flatMap((id) => {
      const habits = habitsOf(id);
      return habits ? [{ id, habits }] : [];
    });
    if (!field || reading.status === 'fault') return { targets: [], verdicts: [], changed: [] };
    const verdicts = await withProgress(replaySamples(field, guards, reading.samples, known), progress);
    return transfer(
      verdicts,
      [...verdicts.verdicts, ...verdicts.changed].map(({ buffer }) => buffer),
    );
  },
};
export type ReplayWork = typeof replayWork;

expose(replayWork);
