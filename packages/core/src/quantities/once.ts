/** Worked out when first asked for, and then known. */
export function once<Value>(make: () => Value): () => Value {
  let known: { readonly value: Value } | undefined;
  return () => (known ??= { value: make() }).value;
}
