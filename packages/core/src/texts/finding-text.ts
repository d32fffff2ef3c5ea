/** What the words of a finding are made of. */

/** How figures are written: in the job's unit, and rounded up where too little would not do. */
export interface Figures {
  readonly length: (mm: number) => string;
  readonly lengthUp: (mm: number) => string;
  /** Of a value in W/(m² K). */
  readonly u: (value: number) => string;
}

export interface FindingText {
  readonly title: string;
  readonly text: string;
}
