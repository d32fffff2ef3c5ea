/** Sections for heat, written down as briefly as they can be. */
import { sectionSchema, type Section } from '@hulvek/core';

export const section = (parts: Partial<Section>): Section =>
  sectionSchema.parse({
    format: 'hulvek-section',
    version: 1,
    title: '',
    probes: [],
    surfaces: [],
    ...parts,
  });
