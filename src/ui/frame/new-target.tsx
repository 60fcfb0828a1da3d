'use client';

import { Button, Input, Select, Switch } from 'antd';
import { useState } from 'react';
import { attributeRegistry } from '@/core/html/attribute-registry';
import { type InputType, inputTypes } from '@/core/html/field';
import type { EngineStatus } from '@/core/sweep/engine-status';
import { type EngineTarget, engineName, targetId } from '@/core/target/target';
import {
  type ColourScheme,
  colourSchemes,
  type Language,
  languageName,
  languages,
  plainVariant,
  type Variant,
  variantText,
} from '@/core/target/variant';
import styles from './line-up.module.css';

/** Makes a target: an engine, set up in one way, made not to know some kinds and attributes. */
export function NewTarget({
  engines,
  onMade,
  onCancel,
}: {
  engines: readonly EngineStatus[];
  onMade: (target: EngineTarget) => void;
  onCancel: () => void;
}) {
  const [name, setName] = useState('');
  const [engine, setEngine] = useState(engines[0]?.name ?? 'chromium');
  const [variant, setVariant] = useState<Variant>(plainVariant);
  const [kinds, setKinds] = useState<InputType[]>([]);
  const [attributes, setAttributes] = useState<string[]>([]);
  const change = (part: Partial<Variant>) => setVariant({ ...variant, ...part });
  const title = engines.find((one) => one.name === engine)?.title ?? engine;
  const lacks = [...kinds, ...attributes];
  const proposed = [title, variantText(variant), lacks.length > 0 ? `without ${lacks.join(', ')}` : '']
    .filter(Boolean)
    .join(', ')
    .slice(0, 80);

  const make = () =>
    onMade({
      id: targetId(`own-${crypto.randomUUID()}`),
      name: name.trim() || proposed,
      note: `${title} as you set it up.`,
      ask: 'engine',
      engine: engineName(engine),
      variant,
      withheld: lacks.length > 0 ? { kinds, attributes, source: 'chosen here' } : null,
    });

  return (
    <form
      className={styles.form}
      aria-label="New target"
      onSubmit={(event) => {
        event.preventDefault();
        make();
      }}
    >
      <label htmlFor="target-name">Name</label>
      <Input
        id="target-name"
        value={name}
        placeholder={proposed}
        maxLength={100}
        onChange={(event) => setName(event.target.value)}
      />
      <label htmlFor="target-engine">Engine</label>
      <Select
        id="target-engine"
        value={engine}
        options={engines.map((one) => ({ value: one.name, label: one.title }))}
        onChange={setEngine}
      />
      <label htmlFor="target-language">Language</label>
      <Select<Language>
        id="target-language"
        value={variant.language}
        options={languages.map((one) => ({ value: one, label: languageName(one) }))}
        onChange={(language) => change({ language })}
      />
      <label htmlFor="target-scheme">Colour scheme</label>
      <Select<ColourScheme>
        id="target-scheme"
        value={variant.scheme}
        options={colourSchemes.map((one) => ({ value: one, label: one }))}
        onChange={(scheme) => change({ scheme })}
      />
      <label htmlFor="target-zoom">Zoom</label>
      <Select<Variant['zoom']>
        id="target-zoom"
        value={variant.zoom}
        options={[
          { value: 1, label: '100 %' },
          { value: 2, label: '200 %' },
        ]}
        onChange={(zoom) => change({ zoom })}
      />
      <label htmlFor="target-width">Window</label>
      <Select<Variant['width']>
        id="target-width"
        value={variant.width}
        options={[
          { value: 800, label: '800 px wide' },
          { value: 360, label: '360 px wide' },
        ]}
        onChange={(width) => change({ width })}
      />
      <label htmlFor="target-scripts">Scripts</label>
      <span>
        <Switch
          id="target-scripts"
          size="small"
          checked={variant.scripts}
          onChange={(scripts) => change({ scripts })}
        />
      </span>
      <label htmlFor="target-kinds">Does not know the kinds</label>
      <Select
        id="target-kinds"
        mode="multiple"
        value={kinds}
        options={inputTypes.map((one) => ({ value: one, label: one }))}
        onChange={setKinds}
      />
      <label htmlFor="target-attributes">Does not know the attributes</label>
      <Select
        id="target-attributes"
        mode="multiple"
        value={attributes}
        options={Object.keys(attributeRegistry)
          .filter((one) => one !== 'type')
          .map((one) => ({ value: one, label: one }))}
        onChange={setAttributes}
      />
      <span />
      <span className={styles.tools}>
        <Button type="primary" htmlType="submit">
          Add to the line-up
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </span>
    </form>
  );
}
