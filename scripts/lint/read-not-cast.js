/** What comes from outside (JSON, rows, the device's own database) is read against a schema, never cast. */

const unwrapped = (node) =>
  node.type === 'AwaitExpression' || node.type === 'ChainExpression'
    ? unwrapped(node.argument ?? node.expression)
    : node.type === 'TSAsExpression' || node.type === 'TSNonNullExpression'
      ? unwrapped(node.expression)
      : node;

/** `x.json()`, `JSON.parse(x)`, `localStorage.getItem(x)`, `store.get(x)` of the device's database. */
function isFromOutside(node) {
  const inner = unwrapped(node);
  if (inner.type === 'MemberExpression') {
    const owner = unwrapped(inner.object);
    return (owner.type === 'Identifier' && owner.name === 'row') || isFromOutside(inner.object);
  }
  if (inner.type !== 'CallExpression' || inner.callee.type !== 'MemberExpression') return false;
  const { object, property } = inner.callee;
  if (property.name === 'json' && inner.arguments.length === 0) return true;
  return object.type === 'Identifier' && object.name === 'JSON' && property.name === 'parse';
}

const isConst = ({ typeAnnotation: type }) =>
  type.type === 'TSTypeReference' && type.typeName.type === 'Identifier' && type.typeName.name === 'const';
const isUnknown = ({ typeAnnotation }) => typeAnnotation.type === 'TSUnknownKeyword';

export default {
  meta: {
    type: 'problem',
    schema: [],
    messages: {
      cast: 'This came from outside: read it (`read`, `mustBe`, `inText`) instead of casting it.',
      claimed: 'A column of JSON is unknown until it is read: no `$type`.',
    },
  },
  create(context) {
    const check = (node) => {
      if (isConst(node) || isUnknown(node)) return;
      if (isFromOutside(node.expression)) context.report({ node, messageId: 'cast' });
    };
    return {
      TSAsExpression: check,
      TSTypeAssertion: check,
      'CallExpression > MemberExpression[property.name="$type"]': (node) =>
        context.report({ node, messageId: 'claimed' }),
    };
  },
};
