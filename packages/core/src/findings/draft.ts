/** Everything derived from one opening before anyone judges it; each part is worked out when first asked for. */
import type { Assumable } from '../conditions/assumed.ts';
import type { AirProof } from '../proofs/air/proof.ts';
import type { JointDesign } from '../proofs/joint/designer.ts';
import type { LoadsProof } from '../proofs/loads/proof.ts';
import type { MoistureProof } from '../proofs/moisture/proof.ts';
import type { JobContext } from '../documents/job.ts';
import type { Opening } from '../documents/opening.ts';
import type { Exposed } from '../conditions/exposed.ts';
import type { WaterProof } from '../proofs/water/proof.ts';
import type { Fit, Build } from '../build/build.ts';
import type { Subject } from '../build/subject.ts';

export interface Draft extends Omit<Subject, 'setbackGiven'> {
  readonly opening: Opening;
  readonly job: JobContext;
  readonly fit: Fit | null;
  readonly build: Build | null;
  readonly exposed: Exposed;
  /** Where water goes on the finished wall. */
  readonly water: WaterProof | null;
  /** Where the pen line runs round the finished opening. */
  readonly air: AirProof | null;
  readonly joint: JointDesign | null;
  readonly moisture: MoistureProof | null;
  readonly loads: LoadsProof | null;
  /** What of the weather is a generic climate's. */
  readonly assumed: readonly Assumable[];
}
