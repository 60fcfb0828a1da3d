export interface Example {
  readonly address: string;
  readonly log: string[];
  stop(): Promise<void>;
}
export function startExample(port?: number): Promise<Example>;
