/** The proof of air on the screen: the pen line of the wall that is looked at, and what is left of it without a piece. */
import {
  airCourse,
  airRing,
  airtightFrom,
  bridgesOf,
  proveAir,
  tradesThatMayCut,
  weakPlaces,
  withoutPiece,
  type AirCourse,
  type AirProof,
  type PlannedStep,
  type Verdict,
  type WithoutPiece,
} from '@hulvek/core';
import type { OpeningEditor } from '$lib/job/opening.svelte.ts';
import { WallDesk } from '$lib/features/prove/wall-desk.svelte.ts';

export class AirDesk extends WallDesk {
  constructor(editor: OpeningEditor) {
    super(editor, ['air']);
    this.view = 'sill';
  }

  /** Of the wall at the step that is shown. */
  proof = $derived.by((): AirProof | null => {
    const { tried } = this;
    if (!tried) return null;
    if (this.asPlanned && this.finished) return this.plan.air;
    return proveAir(tried.build, { count: this.step, lost: tried.lost });
  });
  verdict = $derived.by((): Verdict => {
    const { proof } = this;
    if (!proof || this.asPlanned) return this.plan.judgement.proofs.air.grade;
    return this.known(proof.verdict);
  });
  course = $derived.by((): AirCourse | null => {
    const { tried, proof, view } = this;
    if (!tried || !proof || view === 'face') return null;
    return airCourse(tried.build, proof, view, { count: this.step, lost: tried.lost });
  });
  ring = $derived.by(() => (this.build && this.proof ? airRing(this.build, this.proof) : null));

  /** The step with which it closes for good. */
  closes = $derived.by((): { step: PlannedStep; number: number } | null => {
    // While something is dragged the stored wall is asked: each step of it is a proof of its own.
    const build = this.asPlanned && !this.showBefore ? this.editor.plan.build : this.build;
    const count = build && this.finished ? airtightFrom(build) : null;
    const step = count === null ? null : build?.steps[count - 1];
    return step && count !== null ? { step, number: count } : null;
  });
  trades = $derived.by(() => (this.proof && this.build ? tradesThatMayCut(this.proof, this.build) : []));
  weak = $derived.by(() => {
    const { proof, build, plan } = this;
    const glazing = { madeAt_m: plan.unit?.madeAt_m, site_m: plan.job.job.altitude_m };
    return proof && build ? weakPlaces(proof, build, glazing) : [];
  });

  /** What each piece of the line leaves when it is not there: worked out when somebody asks. */
  asked = $state(false);
  without = $derived.by((): readonly WithoutPiece[] => {
    const { build, proof } = this;
    if (!this.asked || !build || !proof || !this.finished) return [];
    return bridgesOf(proof, build).map((piece) => withoutPiece(build, proof, piece));
  });
}
