import { type EntryContents, type EntryKind } from '../../core/bakery/index.ts';
import type { WallTime } from '../../core/time/index.ts';
import { demoId } from './demo-id.ts';
import { demoPlaceId } from './demo-place.ts';
import {
	BENCHES,
	DIVIDERS,
	MIXERS,
	OVENS,
	PLACES,
	RETARDERS,
	SHEETERS,
	VESSELS,
	type DemoPlace
} from './equipment.ts';
import { CUSTOMERS, DROPS } from './orders.ts';
import { SCALES } from './pantry.ts';
import { SUPPLIERS } from './stock.ts';
import { PEOPLE } from './people.ts';

/** Something the bakehouse has. */
type DemoEntry = {
	readonly [K in EntryKind]: {
		readonly id: string;
		readonly kind: K;
		readonly name: string;
		readonly content: EntryContents[K];
	};
}[EntryKind];

/** How many trays places take; the others never run out of room. */
const TRAYS: Readonly<Partial<Record<DemoPlace, number>>> = {
	'Cool prover': 18,
	'Warm prover': 18,
	'Cold room': 40,
	'Old cabinet': 14
};
const placeWith = (name: DemoPlace) => ({ humidityPercent: null, holds: TRAYS[name] ?? null });
const PROVER_HUMIDITY_PERCENT = 78;

/** All that the Saltmarrow Bakehouse has, its people first. */
export const ENTRIES: readonly DemoEntry[] = [
	...PEOPLE.map(({ name, content }) => ({
		id: demoId('person', name),
		kind: 'person' as const,
		name,
		content
	})),
	...SCALES.map(({ name, capacity, division }) => ({
		id: demoId('scale', name),
		kind: 'scale' as const,
		name,
		content: { capacityGrams: capacity, divisionGrams: division }
	})),
	...DIVIDERS.map(({ name, heads, leastPiece, mostPiece }) => ({
		id: demoId('divider', name),
		kind: 'divider' as const,
		name,
		content: { heads, leastPieceGrams: leastPiece, mostPieceGrams: mostPiece }
	})),
	...VESSELS.map(({ name, use, owned, millilitres, holds }) => ({
		id: demoId('vessel', name),
		kind: 'vessel' as const,
		name,
		content: { use, owned, millilitres, holds }
	})),
	...MIXERS.map(({ name, content }) => ({
		id: demoId('mixer', name),
		kind: 'mixer' as const,
		name,
		content
	})),
	...OVENS.map(({ name, content }) => ({
		id: demoId('oven', name),
		kind: 'oven' as const,
		name,
		content
	})),
	...BENCHES.map(({ name, ...content }) => ({
		id: demoId('bench', name),
		kind: 'bench' as const,
		name,
		content
	})),
	...SHEETERS.map(({ name, ...content }) => ({
		id: demoId('sheeter', name),
		kind: 'sheeter' as const,
		name,
		content
	})),
	...DROPS.map(({ name, dueTime, weekdays, minutes: [picking, loading, road], cutOff }) => ({
		id: demoId('drop', name),
		kind: 'drop' as const,
		name,
		content: {
			dueTime: dueTime as WallTime,
			weekdays,
			pickingMinutes: picking,
			loadingMinutes: loading,
			roadMinutes: road,
			cutOff: cutOff && { daysBefore: cutOff[0], time: cutOff[1] as WallTime }
		}
	})),
	...CUSTOMERS.map(({ name, drop, note }) => ({
		id: demoId('customer', name),
		kind: 'customer' as const,
		name,
		content: { dropId: demoId('drop', drop), note }
	})),
	...SUPPLIERS.map(({ name, ...content }) => ({
		id: demoId('supplier', name),
		kind: 'supplier' as const,
		name,
		content
	})),
	...PLACES.map(({ name, kind, role, celsius }) => ({
		id: demoPlaceId(name),
		kind: 'place' as const,
		name,
		content: {
			...placeWith(name),
			ovenId: null,
			placeKind: kind,
			role,
			celsius,
			humidityPercent: kind === 'proofer' ? PROVER_HUMIDITY_PERCENT : null,
			cold: null
		}
	})),
	...RETARDERS.map(({ name, retarder: { setCelsius, ...cold } }) => ({
		id: demoPlaceId(name),
		kind: 'place' as const,
		name,
		content: {
			...placeWith(name),
			ovenId: null,
			placeKind: 'cold' as const,
			role: 'other' as const,
			celsius: setCelsius,
			cold
		}
	}))
];
