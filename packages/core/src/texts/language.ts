/** The one place that names a language: another one is another folder of the same parts, chosen here. */
export * from './en/index.ts';
