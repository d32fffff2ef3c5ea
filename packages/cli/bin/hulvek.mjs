#!/usr/bin/env node
// Starts the command line tool from its TypeScript source.
import { register } from 'tsx/esm/api';

register();
await import('../src/main.ts');
