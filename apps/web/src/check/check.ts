/** The page that checks a package, alone in one file: no line, no server, nothing that is kept. */
import {
  checkPackage,
  fingerprintOf,
  headIn,
  isFingerprint,
  packageLines,
  PackageRefused,
  readPackage,
  type SignedHead,
} from '@hulvek/core';
import { checkWords as t } from '$words/check.ts';

const made = <Name extends keyof HTMLElementTagNameMap>(
  name: Name,
  text = '',
  of: Partial<HTMLElementTagNameMap[Name]> = {},
): HTMLElementTagNameMap[Name] => Object.assign(document.createElement(name), { textContent: text }, of);

function field(label: string, of: Partial<HTMLInputElement>): HTMLInputElement {
  const input = made('input', '', of);
  const line = made('label', label);
  line.append(input);
  form.append(line);
  return input;
}

const form = made('form');
const said = made('section');
said.setAttribute('aria-live', 'polite');
const place = made('p', t.drop, { className: 'drop' });
document.title = t.title;
document.body.append(made('main', '', { id: 'main' }));
document
  .querySelector('#main')
  ?.append(
    made('h1', t.title),
    made('p', t.lead),
    made('p', t.warning, { className: 'warning' }),
    form,
    place,
    said,
  );
const chosen = field(t.choose, { type: 'file', accept: '.zip,application/zip' });
const kept = field(t.heads, { type: 'file', accept: '.json,application/json', multiple: true });
const told = field(t.fingerprint, { type: 'text', autocomplete: 'off', spellcheck: false });

async function* partsOf(file: File, say: (share: number) => void): AsyncGenerator<Uint8Array> {
  const reader = file.stream().getReader();
  let came = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return;
    came += value.length;
    say(came / file.size);
    yield value;
  }
}

async function heldHeads(): Promise<{ heads: SignedHead[]; notes: string[] }> {
  const heads: SignedHead[] = [];
  const notes: string[] = [];
  for (const file of kept.files ?? []) {
    const head = headIn(await file.text());
    if (head) heads.push(head);
    else notes.push(t.noHead(file.name));
  }
  return { heads, notes };
}

/** Whoever chooses another one meanwhile sees only what comes of that. */
let turn = 0;
async function check(file: File | null | undefined): Promise<void> {
  if (!file) return;
  const mine = ++turn;
  const show = (verdict: string, lines: readonly string[]) => {
    if (mine !== turn) return;
    said.dataset.verdict = verdict;
    said.replaceChildren(...lines.map((line, i) => made(i === 0 && verdict !== '' ? 'h2' : 'p', line)));
  };
  try {
    const { heads, notes } = await heldHeads();
    const read = await readPackage(
      partsOf(file, (share) => show('', [t.reading(`${Math.round(share * 100)} %`)])),
    );
    const verdict = checkPackage(read.manifest, read.files, read.log, heads);
    const isOther = told.value.trim() !== '' && !isFingerprint(told.value, read.manifest.key);
    const isSound = verdict.problems.length + (verdict.log?.problems.length ?? 0) === 0;
    show(isSound && !isOther ? 'sound' : 'unsound', [
      isSound ? t.sound : t.unsound,
      t.keyIs(fingerprintOf(read.manifest.key)),
      told.value.trim() === '' ? t.keyUntold : isOther ? t.keyOther : t.keyRight,
      ...notes,
      ...packageLines(file.name, read.manifest, verdict, heads),
    ]);
  } catch (error) {
    if (!(error instanceof PackageRefused)) throw error;
    show('unsound', [t.unsound, t.refused(file.name, error.message)]);
  }
}

let dropped: File | null = null;
const again = () => void check(chosen.files?.[0] ?? dropped);
for (const input of [chosen, kept, told]) input.addEventListener('change', again);
form.addEventListener('submit', (event) => event.preventDefault());
document.addEventListener('dragover', (event) => event.preventDefault());
document.addEventListener('drop', (event) => {
  event.preventDefault();
  dropped = event.dataTransfer?.files[0] ?? null;
  chosen.value = '';
  void check(dropped);
});
