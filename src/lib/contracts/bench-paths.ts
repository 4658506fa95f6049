import type { Whose } from '../core/bench/index.ts';
import { STATIONS, type Station } from '../core/planning/index.ts';

const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** Whose work an address of the bench shows; null for one that is none. */
export function whoseAt(path: string | undefined): Whose | null {
	if (path === undefined) return { kind: 'all' };
	if (STATIONS.includes(path as Station)) return { kind: 'station', station: path as Station };
	return UUID.test(path) ? { kind: 'person', personId: path } : null;
}

/** The last part of the address that shows somebody's work; empty for all of it. */
export function pathOfWhose(whose: Whose): string {
	switch (whose.kind) {
		case 'all':
			return '';
		case 'station':
			return `/${whose.station}`;
		case 'person':
			return `/${whose.personId}`;
	}
}
