/** Hands the search for an opening or a page from the job to the buttons that begin it. */
import { createContext } from 'svelte';

export const [findInContext, setFind] = createContext<() => void>();
