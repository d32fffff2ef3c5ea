/** Keeps the current item of a sideways list in sight. */
import type { Attachment } from 'svelte/attachments';

export const inSight =
  (current: boolean): Attachment<HTMLElement> =>
  (node) => {
    if (current) node.scrollIntoView({ block: 'nearest', inline: 'center' });
  };
