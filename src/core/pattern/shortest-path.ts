/** A way through a graph, step by step, and where it ends. */
export interface PathFound<Step> {
  readonly at: number;
  readonly steps: readonly Step[];
}

/**
 * The shortest way of at least one step to a place that is wanted; null where there is none.
 * @param onward the steps from a place
 * @param isWanted of a place, and of the step that leads there
 */
export function shortestPath<Step extends { readonly to: number }>(
  from: number,
  onward: (at: number) => readonly Step[],
  isWanted: (at: number, step: Step) => boolean,
): PathFound<Step> | null {
  const cameBy = new Map<number, { readonly before: number; readonly step: Step }>();
  const open = [from];
  for (let index = 0; index < open.length; index++) {
    const at = open[index] as number;
    for (const step of onward(at)) {
      if (isWanted(step.to, step)) return { at: step.to, steps: [...stepsTo(at, from, cameBy), step] };
      if (cameBy.has(step.to) || step.to === from) continue;
      cameBy.set(step.to, { before: at, step });
      open.push(step.to);
    }
  }
  return null;
}

function stepsTo<Step>(
  place: number,
  from: number,
  cameBy: ReadonlyMap<number, { readonly before: number; readonly step: Step }>,
): Step[] {
  const steps: Step[] = [];
  for (let at = place; at !== from; ) {
    const came = cameBy.get(at);
    if (!came) break;
    steps.unshift(came.step);
    at = came.before;
  }
  return steps;
}
