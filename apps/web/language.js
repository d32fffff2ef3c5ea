/** The one place that names the language of the pages: another one is another folder of the same files. */
export const WORDS = 'src/lib/words/en';
