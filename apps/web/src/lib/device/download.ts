/** Hands a file that was made here to the browser. */

export interface Download {
  readonly name: string;
  readonly type: string;
  readonly content: string;
}

export function save({ name, type, content }: Download): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
