import type { ProvenanceMark as Mark } from '@/core/observation/provenance';

const words: Readonly<Record<Mark, string>> = {
  measured: 'A real engine did it, asked over an automation protocol',
  captured: 'A person or this very browser did it',
  modelled: 'Computed from Ukko’s own model',
};

/** The mark of where an answer comes from: a ruled disc, a half disc, a dashed ring. Used everywhere and nowhere else. */
export function ProvenanceMark({ mark, size = 13 }: { mark: Mark; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 14 14"
      role="img"
      aria-label={mark}
      style={{ flex: 'none', verticalAlign: '-2px', color: 'var(--ink)' }}
    >
      <title>{`${mark}: ${words[mark]}`}</title>
      {shapes[mark]}
    </svg>
  );
}

const shapes: Readonly<Record<Mark, React.ReactNode>> = {
  measured: (
    <>
      <circle cx="7" cy="7" r="6" fill="currentColor" />
      <path d="M3.5 5v4M7 4v6M10.5 5v4" stroke="var(--sheet)" strokeWidth="1.4" />
    </>
  ),
  captured: (
    <>
      <circle cx="7" cy="7" r="5.3" fill="none" stroke="currentColor" strokeWidth="1.4" />
      <path d="M7 1.7a5.3 5.3 0 0 1 0 10.6z" fill="currentColor" />
    </>
  ),
  modelled: (
    <circle
      cx="7"
      cy="7"
      r="5.3"
      fill="none"
      stroke="currentColor"
      strokeWidth="1.5"
      strokeDasharray="2.2 1.9"
    />
  ),
};
