import { withValue } from '../../standard/control-state';
import { Decimal } from '../../standard/decimal';
import { rangeOf } from '../../standard/ranges-and-steps';
import { PlainControl } from './plain-control';
import type { Press } from './typed-control';

/** A range field: arrows go by steps, page keys by a tenth, Home and End to the limits. */
export class SliderControl extends PlainControl {
  keyDown({ key }: Press): void {
    const { log, send } = this.context;
    const to = this.target(key);
    if (to) {
      this.set(to);
      return;
    }
    if (key === 'Enter') {
      log.raise('keypress', { key });
      send();
    } else if (key.length === 1) log.raise('keypress', { key });
  }

  private target(key: string): Decimal | null {
    const { attributes } = this.state;
    const of = (name: string) => attributes[name] ?? null;
    const limits = { min: of('min'), max: of('max'), step: of('step'), value: of('value') };
    const range = rangeOf('range', limits, this.context.deviations);
    const now = Decimal.parse(this.value);
    if (!range || !now) return null;
    const [min, max] = [range.exact.min ?? Decimal.zero, range.exact.max ?? Decimal.of(100)];
    const isAny = limits.step?.toLowerCase() === 'any';
    const step = (isAny ? null : range.exact.step) ?? max.minus(min).over(Decimal.of(100));
    const tenth = max.minus(min).over(Decimal.of(10));
    const page = tenth.compare(step) > 0 ? tenth : step;
    switch (key) {
      case 'ArrowUp':
      case 'ArrowRight':
        return now.plus(step);
      case 'ArrowDown':
      case 'ArrowLeft':
        return now.minus(step);
      case 'PageUp':
        return now.plus(page);
      case 'PageDown':
        return now.minus(page);
      case 'Home':
        return min;
      case 'End':
        return max;
      default:
        return null;
    }
  }

  private set(value: Decimal): void {
    const { deviations, log } = this.context;
    const before = this.value;
    const set = withValue(this.state, deviations.rangeText(value), deviations);
    if (set === 'InvalidStateError') return;
    this.state = set;
    if (this.value === before) return;
    log.raise('input');
    log.raise('change');
  }
}
