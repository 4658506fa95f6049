import type { Source } from '../core/explain/index.ts';
import { formatDifference, type UnitChoice } from '../core/units/index.ts';

/** Why a temperature that nobody read is taken to be what it is. */
export function unreadText(source: Source, units: UnitChoice): string {
	switch (source.kind) {
		case 'set':
			return 'as it is set';
		case 'forecast':
			return `forecast, ±${formatDifference({ kelvins: source.spreadKelvins }, 1, units)}`;
		default:
			return 'assumed';
	}
}
