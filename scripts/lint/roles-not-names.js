/** Logic asks for what a piece does, never for its name: no literal, prefix or pattern of a piece's id. */
import { readFileSync } from 'node:fs';

const source = (path) => readFileSync(new URL(`../../packages/core/src/${path}`, import.meta.url), 'utf8');

/** Ids of the rows, and the families of those that are made once for each side. */
function piecesOfRows() {
  const ids = new Set();
  const families = new Set();
  for (const [, how, id] of source('methods/piece-rows.ts').matchAll(
    /(once|each\([^)]*\))\(\[\s*'([a-z0-9-]+)'/g,
  )) {
    if (how === 'once') ids.add(id);
    else {
      families.add(id);
      for (const side of ['left', 'right', 'head', 'sill']) ids.add(`${id}-${side}`);
    }
  }
  return { ids, families };
}
const { ids, families } = piecesOfRows();
if (ids.size < 50) throw new Error('the rows of pieces were not found where they used to stand');
/** Words that are a choice or a material as well: only what is surely a piece is taken for one. */
const otherWords = new Set(
  [...`${source('vocabulary/axes.ts')} ${source('vocabulary/materials.ts')}`.matchAll(/'([a-z0-9-]+)'/g)].map(
    (m) => m[1],
  ),
);

const THING = /^(thing|piece|member|owner|patch|strip|tape)$/;
const isThing = (node) =>
  (node.type === 'Identifier' && THING.test(node.name)) ||
  (node.type === 'MemberExpression' && !node.computed && THING.test(node.property.name));
const isId = (node) =>
  (node.type === 'Identifier' && node.name === 'id') ||
  (node.type === 'MemberExpression' && !node.computed && node.property.name === 'id');
const isPiece = (node) => node?.type === 'Literal' && ids.has(node.value);
const isPart = ({ value }, of) =>
  typeof value === 'string' && value !== '' && [...ids].some((id) => of(id, value));

export default {
  meta: {
    type: 'problem',
    schema: [],
    messages: {
      name: 'This asks for the name of a piece. Ask for a role: `plays`, `pieceFor`, `piecesFor`.',
    },
  },
  create(context) {
    const report = (node) => context.report({ node, messageId: 'name' });
    return {
      BinaryExpression(node) {
        if (!/^[!=]==$/.test(node.operator)) return;
        for (const [one, other] of [
          [node.left, node.right],
          [node.right, node.left],
        ])
          if (isPiece(other) && (isThing(one) || (isId(one) && !otherWords.has(other.value)))) report(node);
      },
      CallExpression(node) {
        const [first] = node.arguments;
        const { callee } = node;
        if (
          callee.type === 'Identifier' &&
          /^(stands|seals|faceKey)$/.test(callee.name) &&
          node.arguments.some(isPiece)
        )
          return report(node);
        if (callee.type !== 'MemberExpression' || !first) return;
        const { object, property } = callee;
        const asked = isThing(object) || isId(object);
        if (property.name === 'startsWith' && asked && isPart(first, (id, part) => id.startsWith(part)))
          report(node);
        if (property.name === 'endsWith' && asked && isPart(first, (id, part) => id.endsWith(part)))
          report(node);
        if (property.name === 'test' && object.regex && (isThing(first) || isId(first))) report(node);
        if (property.name === 'replace' && isThing(object) && first.regex) report(node);
        if (
          property.name === 'has' &&
          object.type === 'Identifier' &&
          object.name === 'lost' &&
          isPiece(first)
        )
          report(node);
        if (
          property.name === 'includes' &&
          object.type === 'ArrayExpression' &&
          object.elements.some(isPiece)
        )
          report(node);
      },
      TemplateLiteral(node) {
        const start = node.quasis[0]?.value.raw ?? '';
        if (start.endsWith('-') && families.has(start.slice(0, -1))) report(node);
      },
    };
  },
};
