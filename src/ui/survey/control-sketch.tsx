import type { ControlPart } from '@/core/html/control-part';

const widths: Partial<Record<ControlPart, number>> = {
  'text box': 120,
  'text area': 150,
  slider: 120,
  bar: 110,
  button: 70,
  text: 92,
};

/**
 * A plain sketch of which parts a control has, for targets that nobody photographed. Dashed lines, so that it is never
 * taken for a picture.
 */
export function ControlSketch({
  parts,
  text,
  label,
}: {
  parts: readonly ControlPart[];
  /** The value that the target holds; shown where a control of this sort shows one. */
  text: string;
  label: string;
}) {
  const placed = place(parts);
  const height = parts.includes('text area') ? 44 : 26;
  return (
    <svg
      width={placed.width + 4}
      height={height + 4}
      viewBox={`-2 -2 ${placed.width + 4} ${height + 4}`}
      role="img"
      aria-label={label}
      style={{ color: 'var(--ink-soft)', maxWidth: '100%' }}
    >
      {placed.parts.map(({ part, x, width }) => (
        <g
          key={`${part} ${x}`}
          transform={`translate(${x} 0)`}
          fill="none"
          stroke="currentColor"
          strokeDasharray="3 2"
          strokeWidth="1.2"
        >
          {draw(part, width, height)}
          {showsText.includes(part) && (
            <text
              x="5"
              y={height / 2 + 4}
              fill="currentColor"
              stroke="none"
              fontSize="12"
              fontFamily="var(--mono)"
            >
              {short(text, width)}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}

const showsText: readonly ControlPart[] = ['text box', 'text area', 'text'];

/** As much of a text as the sketch has room for; a character of this size is a little over 7 px wide. */
function short(text: string, width: number): string {
  const room = Math.floor((width - 8) / 7.3);
  const line = text.split('\n')[0] ?? '';
  return line.length > room ? `${line.slice(0, room - 1)}…` : line;
}

function place(parts: readonly ControlPart[]) {
  let x = 0;
  const placed = parts.map((part) => {
    const width = widths[part] ?? 22;
    const at = { part, x, width };
    x += width + 3;
    return at;
  });
  return { parts: placed, width: Math.max(0, x - 3) };
}

function draw(part: ControlPart, width: number, height: number) {
  const middle = height / 2;
  switch (part) {
    case 'text box':
    case 'text area':
      return <rect width={width} height={height} rx="2" />;
    case 'slider':
      return (
        <>
          <path d={`M0 ${middle}h${width}`} />
          <circle cx={width / 2} cy={middle} r="7" strokeDasharray="none" fill="var(--sheet)" />
        </>
      );
    case 'bar':
      return <rect y={middle - 5} width={width} height="10" rx="2" />;
    case 'check mark':
      return <path d={`M3 ${middle - 7}h14v14h-14z`} />;
    case 'radio mark':
      return <circle cx="10" cy={middle} r="7" />;
    case 'picker button':
      return (
        <path d={`M3 ${middle - 6}h15v13h-15zM3 ${middle - 2}h15M7 ${middle - 9}v4M14 ${middle - 9}v4`} />
      );
    case 'spin button':
      return <path d={`M6 ${middle - 3}l5 -5 5 5M6 ${middle + 3}l5 5 5 -5`} />;
    case 'list':
      return <path d={`M5 ${middle - 3}l6 6 6 -6`} />;
    case 'clear button':
      return <path d={`M6 ${middle - 5}l10 10M16 ${middle - 5}l-10 10`} />;
    case 'swatch':
      return <rect x="1" y={middle - 8} width="20" height="16" fill="var(--well)" />;
    case 'button':
      return <rect y="1" width={width} height={height - 2} rx="6" />;
    case 'text':
      return <path d={`M0 ${height - 3}h${width}`} />;
  }
}
