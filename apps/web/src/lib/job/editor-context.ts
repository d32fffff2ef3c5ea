/** Hands the opening being edited from its shell to the stages inside. */
import { createContext } from 'svelte';
import type { OpeningEditor } from './opening.svelte.ts';

export const [editorInContext, setEditor] = createContext<OpeningEditor>();
