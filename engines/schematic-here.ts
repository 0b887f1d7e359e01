import Elk from 'elkjs/lib/elk.bundled.js';
import type { SchematicEngine } from '@/core/drawing/schematic/engine';
import { schematicEngine } from './schematic';

/** Lays schematics out in this thread: for the command line and scripts, which have nothing to keep waiting. */
export const layoutSchematic: SchematicEngine = schematicEngine(new Elk());
