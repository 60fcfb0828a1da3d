'use client';

import { Bar, BarChart, CartesianGrid, Legend, XAxis, YAxis } from 'recharts';
import { type Finding, type Harm, harms } from '@/core/finding/finding';
import { harmTitles } from '@/core/words/harm-words';
import { sweepTime } from '../frame/sweep-time';
import styles from './findings.module.css';
import { useOverTime } from './use-over-time';

/** From what is worst to what is least, in one hue; the order is that of the legend and of every list. */
const shades: Readonly<Record<Harm, string>> = {
  'cannot enter a valid value': 'var(--harm-1)',
  'value lost': 'var(--harm-2)',
  'wrong value sent': 'var(--harm-3)',
  'person misled': 'var(--harm-4)',
  cosmetic: 'var(--harm-5)',
};

interface Row {
  readonly name: string;
  readonly counts: readonly number[];
}

/** Where the findings are: by target, by field, and over the form's sweeps. */
export function Overview({ findings }: { findings: readonly Finding[] }) {
  const overTime = useOverTime();
  return (
    <div className={styles.summary}>
      <Chart
        title="By target"
        rows={rowsOf(findings, ({ targets }) =>
          targets.length === 0 ? ['everywhere'] : targets.map(({ name }) => name),
        )}
      />
      <Chart
        title="By field"
        rows={rowsOf(findings, ({ field, targets }) => [
          field?.label ?? (targets.length > 0 ? 'many fields' : 'the form'),
        ]).slice(0, 9)}
      />
      {overTime.length > 1 && (
        <Chart
          title="Over the sweeps"
          rows={overTime.map(({ startedAt, counts }) => ({ name: sweepTime(startedAt), counts }))}
        />
      )}
    </div>
  );
}

function rowsOf(findings: readonly Finding[], namesOf: (finding: Finding) => readonly string[]): Row[] {
  const rows = new Map<string, number[]>();
  for (const finding of findings)
    for (const name of namesOf(finding)) {
      const counts = rows.get(name) ?? harms.map(() => 0);
      const at = harms.indexOf(finding.harm);
      counts[at] = (counts[at] ?? 0) + 1;
      rows.set(name, counts);
    }
  const total = (counts: readonly number[]) => counts.reduce((sum, count) => sum + count, 0);
  return [...rows]
    .map(([name, counts]) => ({ name, counts }))
    .sort((a, b) => total(b.counts) - total(a.counts));
}

function Chart({ title, rows }: { title: string; rows: readonly Row[] }) {
  const data = rows.map(({ name, counts }) => ({
    name: name.length > 20 ? `${name.slice(0, 19)}…` : name,
    ...Object.fromEntries(harms.map((harm, index) => [harm, counts[index] ?? 0])),
  }));
  const words = rows.map(({ name, counts }) => {
    const parts = harms.flatMap((harm, index) =>
      counts[index] ? [`${harmTitles[harm].toLowerCase()} ${counts[index]}`] : [],
    );
    return `${name}: ${parts.join(', ') || 'none'}`;
  });
  return (
    <figure>
      <figcaption>{title}</figcaption>
      <div role="img" aria-label={`${title}. ${words.join('. ')}.`}>
        <BarChart
          width={430}
          height={rows.length * 22 + (title === 'By target' ? 100 : 40)}
          data={data}
          layout="vertical"
          margin={{ top: 2, right: 16, bottom: 2, left: 4 }}
          accessibilityLayer={false}
        >
          <CartesianGrid horizontal={false} stroke="var(--line)" />
          <XAxis type="number" allowDecimals={false} stroke="var(--ink-soft)" fontSize={11} height={20} />
          <YAxis
            type="category"
            dataKey="name"
            width={140}
            stroke="var(--ink-soft)"
            fontSize={12}
            tickLine={false}
            interval={0}
          />
          {title === 'By target' && (
            <Legend
              verticalAlign="bottom"
              itemSorter={null}
              iconSize={10}
              wrapperStyle={{ fontSize: 12, lineHeight: '16px' }}
              formatter={(harm) => <span className={styles.legend}>{harmTitles[harm as Harm]}</span>}
            />
          )}
          {harms.map((harm) => (
            <Bar
              key={harm}
              dataKey={harm}
              stackId="harms"
              fill={shades[harm]}
              isAnimationActive={false}
              barSize={12}
            />
          ))}
        </BarChart>
      </div>
    </figure>
  );
}
