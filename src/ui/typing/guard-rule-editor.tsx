'use client';

import { Input, InputNumber, Select } from 'antd';
import type { ReactNode } from 'react';
import { type CharacterSet, characterClasses } from '@/core/guard/character-set';
import { checkMethods, type Guard, lengthUnits } from '@/core/guard/guard';
import { editingKeys } from '@/core/guard/offered-guards';
import { patternFault } from '@/core/standard/pattern-attribute';
import styles from './typing.module.css';

const classNames = Object.keys(characterClasses) as (keyof typeof characterClasses)[];
const choices = <Value extends string>(values: readonly Value[]) =>
  values.map((value) => ({ value, label: value }));

function Row({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className={styles.row}>
      <span>{name}</span>
      {children}
    </div>
  );
}

function Choice<Value extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: Value;
  options: { value: Value; label: string }[];
  onChange: (value: Value) => void;
}) {
  return (
    <Select<Value> size="small" value={value} aria-label={label} options={options} onChange={onChange} />
  );
}

function TextLine({
  label,
  value,
  isWrong = false,
  onChange,
}: {
  label: string;
  value: string;
  isWrong?: boolean;
  onChange: (value: string) => void;
}) {
  return (
    <Input
      size="small"
      className="mono"
      value={value}
      status={isWrong ? 'error' : ''}
      aria-label={label}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

/** What one guard checks, by its kind. */
export function GuardRuleEditor({ guard, onChange }: { guard: Guard; onChange: (guard: Guard) => void }) {
  return (
    <>
      <Rule guard={guard} onChange={onChange} />
      {guard.stage === 'key' && (
        <Row name="Keys that pass">
          <Select
            mode="tags"
            size="small"
            aria-label="Keys that pass"
            value={[...(guard.keys ?? [])]}
            options={choices(editingKeys)}
            onChange={(keys) => onChange({ ...guard, keys })}
          />
        </Row>
      )}
    </>
  );
}

function Rule({ guard, onChange }: { guard: Guard; onChange: (guard: Guard) => void }) {
  switch (guard.kind) {
    case 'allow':
    case 'deny':
      return <CharacterRows set={guard.set} onChange={(set) => onChange({ ...guard, set })} />;
    case 'length':
      return (
        <Row name="At most">
          <span className={styles.pair}>
            <InputNumber
              size="small"
              min={0}
              precision={0}
              value={guard.most}
              aria-label="Most"
              onChange={(most) => most !== null && onChange({ ...guard, most })}
            />
            <Choice
              label="Counted in"
              value={guard.unit}
              options={choices(lengthUnits)}
              onChange={(unit) => onChange({ ...guard, unit })}
            />
          </span>
        </Row>
      );
    case 'decimals':
      return (
        <>
          <Row name="Whole digits">
            <InputNumber
              size="small"
              min={0}
              max={300}
              precision={0}
              placeholder="any"
              value={guard.whole ?? null}
              aria-label="Most whole digits"
              onChange={(whole) => {
                const { whole: _, ...rest } = guard;
                onChange(whole === null ? rest : { ...rest, whole });
              }}
            />
          </Row>
          <Row name="Decimals">
            <InputNumber
              size="small"
              min={0}
              max={20}
              precision={0}
              value={guard.most}
              aria-label="Most decimals"
              onChange={(most) => most !== null && onChange({ ...guard, most })}
            />
          </Row>
        </>
      );
    case 'range':
      return (
        <Row name="From, to">
          <span className={styles.pair}>
            <InputNumber
              size="small"
              placeholder="anywhere"
              value={guard.min}
              aria-label="Least"
              onChange={(min) => onChange({ ...guard, min })}
            />
            <InputNumber
              size="small"
              placeholder="anywhere"
              value={guard.max}
              aria-label="Most"
              onChange={(max) => onChange({ ...guard, max })}
            />
          </span>
        </Row>
      );
    case 'pattern':
      return <PatternRows guard={guard} onChange={onChange} />;
    case 'words':
      return (
        <>
          <Row name="The text">
            <Choice
              label="Sense of the list"
              value={guard.sense}
              options={[
                { value: 'one of', label: 'is one of these' },
                { value: 'none of', label: 'contains none of these' },
              ]}
              onChange={(sense) => onChange({ ...guard, sense })}
            />
          </Row>
          <Input.TextArea
            className="mono"
            autoSize={{ minRows: 2, maxRows: 6 }}
            aria-label="Words, one a line"
            value={guard.words.join('\n')}
            onChange={(event) => onChange({ ...guard, words: event.target.value.split('\n') })}
          />
        </>
      );
    case 'date':
      return (
        <Row name="Format">
          <TextLine
            label="Format of the date"
            value={guard.format}
            onChange={(format) => onChange({ ...guard, format })}
          />
        </Row>
      );
    case 'check digit':
      return (
        <Row name="Method">
          <Choice
            label="Method"
            value={guard.method}
            options={choices(checkMethods)}
            onChange={(method) => onChange({ ...guard, method })}
          />
        </Row>
      );
    case 'case':
      return (
        <Row name="To">
          <Choice
            label="Case"
            value={guard.to}
            options={choices(['upper', 'lower'] as const)}
            onChange={(to) => onChange({ ...guard, to })}
          />
        </Row>
      );
    case 'mask':
      return (
        <Row name="Mask">
          <TextLine
            label="Mask: 0 a digit, A a letter, X either"
            value={guard.mask}
            onChange={(mask) => onChange({ ...guard, mask })}
          />
        </Row>
      );
  }
}

function CharacterRows({ set, onChange }: { set: CharacterSet; onChange: (set: CharacterSet) => void }) {
  return (
    <>
      <Row name="Classes">
        <Select
          mode="multiple"
          size="small"
          value={[...set.classes]}
          aria-label="Classes of characters"
          options={choices(classNames)}
          onChange={(classes) => onChange({ ...set, classes })}
        />
      </Row>
      <Row name="And these">
        <TextLine label="Characters" value={set.own} onChange={(own) => onChange({ ...set, own })} />
      </Row>
    </>
  );
}

function PatternRows({
  guard,
  onChange,
}: {
  guard: Extract<Guard, { kind: 'pattern' }>;
  onChange: (guard: Guard) => void;
}) {
  const fault = patternFault(guard.source);
  return (
    <>
      <Row name="Match">
        <Choice
          label="Whole or part"
          value={guard.match}
          options={[
            { value: 'whole', label: 'the whole text' },
            { value: 'part', label: 'some part of it' },
          ]}
          onChange={(match) => onChange({ ...guard, match })}
        />
      </Row>
      <TextLine
        label="Pattern"
        value={guard.source}
        isWrong={fault !== null}
        onChange={(source) => onChange({ ...guard, source })}
      />
      {fault && (
        <p className={styles.fault} role="alert">
          This pattern does not compile, so the guard does nothing: {fault}. Mend it here.
        </p>
      )}
    </>
  );
}
