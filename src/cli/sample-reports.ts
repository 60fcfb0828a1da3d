import { junitFrame } from '@/core/report/junit';
import {
  type SampledField,
  type SampleReport,
  type SampleResult,
  sampleCsv,
  sampleJson,
  sampleSuite,
} from '@/core/report/sample-report';
import { PartOfFile } from './write-whole';

interface ReportPaths {
  readonly junit?: string;
  readonly csv?: string;
  readonly json?: string;
}

interface Written {
  readonly report: SampleReport;
  readonly part: PartOfFile;
}

interface Suite {
  readonly suite: ReturnType<typeof sampleSuite>;
  /** Its cases: what stands before them counts them. */
  readonly cases: PartOfFile;
}

/** Reports of samples, written as the results come: nothing of them is held. */
export class SampleReports {
  /** By target, in the order in which they came. */
  private readonly suites = new Map<string, Suite>();

  private constructor(
    private readonly of: SampledField,
    private readonly written: readonly Written[],
    private readonly junit: { readonly path: string; readonly part: PartOfFile } | null,
  ) {}

  /** Begins those that are asked for. Throws what the system says. */
  static async into({ junit, csv, json }: ReportPaths, of: SampledField): Promise<SampleReports> {
    const asked = [
      ...(csv === undefined ? [] : [{ path: csv, report: sampleCsv() }]),
      ...(json === undefined ? [] : [{ path: json, report: sampleJson(of) }]),
    ];
    const written: Written[] = [];
    for (const { path, report } of asked) {
      const part = await PartOfFile.of(path);
      await part.write(report.head);
      written.push({ report, part });
    }
    const suites = junit === undefined ? null : { path: junit, part: await PartOfFile.of(junit) };
    return new SampleReports(of, written, suites);
  }

  async write(results: readonly SampleResult[]): Promise<void> {
    for (const { report, part } of this.written)
      for (const one of results) await part.write(report.result(one));
    if (!this.junit) return;
    for (const one of results) {
      const { suite, cases } = await this.suiteOf(one.target, this.junit.path);
      await cases.write(suite.result(one));
    }
  }

  /** Ends them, and puts each in its place. */
  async keep(): Promise<void> {
    for (const { report, part } of this.written) {
      await part.write(report.end());
      await part.become();
    }
    if (!this.junit) return;
    const { part } = this.junit;
    await part.write(junitFrame.head);
    for (const { suite, cases } of this.suites.values()) {
      const { begin, close } = suite.around();
      await part.write(begin);
      await part.take(cases);
      await part.write(close);
    }
    await part.write(junitFrame.end);
    await part.become();
  }

  /** Leaves what was there before; never throws. */
  async drop(): Promise<void> {
    const parts = [
      ...this.written.map(({ part }) => part),
      ...[...this.suites.values()].map(({ cases }) => cases),
    ];
    for (const part of parts) await part.drop();
    await this.junit?.part.drop();
  }

  private async suiteOf(target: string, path: string): Promise<Suite> {
    const known = this.suites.get(target);
    if (known) return known;
    const made: Suite = { suite: sampleSuite(this.of, target), cases: await PartOfFile.of(path) };
    this.suites.set(target, made);
    return made;
  }
}
