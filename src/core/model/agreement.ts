import agreement from './agreement.json';

export interface AgreedCount {
  readonly agreed: number;
  readonly asked: number;
}

/** How often the model answers as an engine of this version does, as `npm run calibrate` measured it. */
export interface EngineAgreement {
  readonly version: string;
  /** By kind of field. */
  readonly validity: Readonly<Record<string, AgreedCount>>;
  readonly validityInAll: AgreedCount;
  readonly submission: AgreedCount;
  readonly typing: AgreedCount;
}

export const agreements: Readonly<Record<keyof typeof agreement, EngineAgreement>> = agreement;
