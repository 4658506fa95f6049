// Where things lie: the project, its data and its locks.
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const PROJECT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');

/** What the project's own tools keep between two runs. */
export const CACHE = path.join(PROJECT, 'node_modules', '.cache');

/** The data folder; JOVET_DATA moves it, for example when the project lies where others cannot reach. */
export const DATA = path.resolve(process.env.JOVET_DATA ?? path.join(PROJECT, '.data'));

/** Where backups lie that were not told to lie elsewhere, and how many of those are kept. */
export const BACKUPS = path.join(DATA, 'backups');
export const MOST_BACKUPS = 14;
