import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig } from 'vite';

/**
 * What goes together over the line: a page asks for a few files, not for a hundred. `ground` is what every page stands
 * on, `planner` what pages with a plan carry more; the rest follows the pages that use it.
 */
const groups = [
  {
    name: 'ground',
    priority: 3,
    test: (id: string) =>
      /node_modules\/(svelte|@sveltejs|esm-env|clsx|devalue|zod|idb|@lucide)\//.test(id) ||
      /core\/src\/(quantities|vocabulary|documents|geometry)\//.test(id) ||
      /core\/src\/(survey\/(?!survey-table|station-points)|plan\/judgement|findings\/finding\.ts|field\/(progress|faults|clocks)\.ts)/.test(
        id,
      ) ||
      /core\/src\/(conditions\/exposure|calendar\/(errands|days))\.ts/.test(id) ||
      /core\/src\/build\/(frozen|replay|scene|stack|cut-list|covered|by-role|flaws)\.ts/.test(id) ||
      /core\/src\/(methods\/(names|strip-ends)|proofs\/loads\/(handling|lifting)|unit\/weight|texts\/figures)\.ts/.test(
        id,
      ) ||
      /src\/lib\/(ui\/(?!charts|Graph|FindingList)|device|contract\/(?!heat|practice)|job\/(?!planner|openings-set))/.test(
        id,
      ) ||
      /src\/lib\/words\/en\/(shell|ui|device|contract|help-open)/.test(id) ||
      /src\/lib\/features\/shell\/(OutboxBar|UnitSwitch|OpeningShell|SaveBar|StageRail|FindButton|PageHelp|HeadButton|finding)/.test(
        id,
      ),
  },
  {
    name: 'planner',
    priority: 2,
    test: (id: string) =>
      /core\/src\/(methods|build|fit|conditions|unit|order-size|findings|facade)\//.test(id) ||
      /core\/src\/(proofs\/(water|air|joint|moisture|loads)|plan)\//.test(id) ||
      // What sticks to what is part of the verdict.
      /core\/src\/supply\/(together|articles)\.ts/.test(id),
  },
];

export default defineConfig({
  plugins: [sveltekit()],
  server: { fs: { allow: ['../..'] } },
  environments: {
    client: {
      build: {
        rolldownOptions: {
          preserveEntrySignatures: 'allow-extension',
          output: { codeSplitting: { groups, includeDependenciesRecursively: false } },
        },
      },
    },
  },
});
