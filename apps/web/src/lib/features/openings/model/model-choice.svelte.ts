/** What is taken from a building model besides its schedule: ids by which openings are found there again, and their walls. */
import { freshId } from '$lib/device/ids.ts';
import type { JobStore } from '$lib/job/job.svelte.ts';
import {
  sameMark,
  wallOfModel,
  type Building,
  type ModelLine,
  type ModelWall,
  type OpeningDocument,
  type Wall,
} from '@hulvek/core';

/** A wall that is here, one made of the model's layers, or whatever the job usually has. */
export type WallChoice = `is:${string}` | 'new' | 'usual';

const SAME_mm = 1;
/** A unit’s U is no larger, W/(m² K). */
const MOST_U = 8;

export class ModelChoice {
  readonly store: JobStore;
  readonly building: Building;
  readonly #lines: ReadonlyMap<string, ModelLine>;
  /** By the key of the model's wall, what it would be here. */
  readonly made: ReadonlyMap<string, Wall>;
  #chosen = $state.raw<Readonly<Record<string, WallChoice>>>({});

  constructor(store: JobStore, lines: readonly ModelLine[], building: Building) {
    this.store = store;
    this.building = building;
    this.#lines = new Map(lines.map((line) => [sameMark(line.mark), line]));
    this.made = new Map(
      building.walls.flatMap((wall) => {
        const own = wallOfModel(wall, `wall-${freshId().slice(0, 13)}`);
        return own ? [[wall.key, own] as const] : [];
      }),
    );
  }

  /** Of which no size can be read. */
  unread = $derived.by(() => this.building.units.filter(({ problem }) => problem !== null));
  inside = $derived.by(() => this.building.units.filter(({ external }) => external === false).length);

  choiceOf(wall: ModelWall): WallChoice {
    return this.#chosen[wall.key] ?? this.#guess(wall);
  }

  /** A wall of the job with the same layers, else one made of them, else the usual one. */
  #guess({ key }: ModelWall): WallChoice {
    const own = this.made.get(key);
    const same = this.store.context.walls.find(
      ({ layers }) =>
        own?.layers.length === layers.length &&
        layers.every(
          ({ material, thickness }, i) =>
            own.layers[i]?.material === material &&
            Math.abs((own.layers[i]?.thickness.mm ?? 0) - thickness.mm) < SAME_mm,
        ),
    );
    return same ? `is:${same.id}` : own ? 'new' : 'usual';
  }

  choose(wall: ModelWall, choice: WallChoice): void {
    this.#chosen = { ...this.#chosen, [wall.key]: choice };
  }

  /** U of units of these marks, where all that say one say the same. */
  ratedOf(marks: readonly string[]): { uFactor?: number } {
    const all = new Set(marks.flatMap((mark) => this.#lines.get(sameMark(mark))?.unit.u_Wm2K ?? []));
    const [only] = all;
    return all.size === 1 && only !== undefined && only <= MOST_U ? { uFactor: only } : {};
  }

  fieldsOf(mark: string): Partial<OpeningDocument> {
    const unit = this.#lines.get(sameMark(mark))?.unit;
    if (!unit) return {};
    const wall = this.building.walls.find(({ key }) => key === unit.wall);
    const choice = wall ? this.choiceOf(wall) : 'usual';
    const id =
      choice === 'new' && wall
        ? this.made.get(wall.key)?.id
        : this.store.context.walls.find((one) => `is:${one.id}` === choice)?.id;
    return {
      ...(/^[0-3][0-9A-Za-z_$]{21}$/.test(unit.guid) && { ifc: unit.guid }),
      ...(id !== undefined && { wall: id }),
    };
  }

  /** Walls that these openings go by and the job does not have. */
  newWalls(...lists: readonly (readonly OpeningDocument[])[]): Wall[] {
    const used = new Set(lists.flatMap((list) => list.map(({ wall }) => String(wall))));
    return [...this.made.values()].filter(({ id }) => used.has(id));
  }
}
