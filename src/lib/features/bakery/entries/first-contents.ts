import {
	FIRST_DROP,
	FIRST_MIXER,
	FIRST_OVEN,
	type EntryContents,
	type EntryKind
} from '../../../core/bakery/index.ts';
import { USUAL_ROOM_CELSIUS } from '../../../core/formula/index.ts';
import type { BakeDate, WallTime } from '../../../core/time/index.ts';

/** What a new entry of each kind begins with (our defaults). */
const FIRST: { readonly [K in EntryKind]: (date: BakeDate) => EntryContents[K] } = {
	person: () => ({
		role: 'baker',
		skills: ['mixing', 'shaping', 'oven', 'packing'],
		shifts: [],
		exceptions: [],
		pacePercent: 100
	}),
	mixer: () => FIRST_MIXER,
	oven: () => FIRST_OVEN,
	place: () => ({
		placeKind: 'room',
		role: 'other',
		celsius: USUAL_ROOM_CELSIUS,
		humidityPercent: null,
		holds: null,
		ovenId: null,
		cold: null
	}),
	drop: () => ({ ...FIRST_DROP, dueTime: '07:00' as WallTime }),
	customer: () => ({ dropId: '', note: '' }),
	supplier: () => ({ weekdays: [1, 2, 3, 4, 5], daysAhead: 1, note: '' }),
	'closed-days': (date) => ({ fromDate: date, toDate: date, yearly: false }),
	scale: () => ({ capacityGrams: 15_000, divisionGrams: 5 }),
	divider: () => ({ heads: 30, leastPieceGrams: 40, mostPieceGrams: 120 }),
	sheeter: () => ({
		widthCm: 60,
		lengthCm: 200,
		thinnestMillimetres: 1,
		thickestMillimetres: 45
	}),
	vessel: () => ({ use: 'basket', owned: 20, millilitres: null, holds: null }),
	bench: () => ({ lengthCm: 200, widthCm: 80, hands: 2 })
};

export function firstContent<K extends EntryKind>(kind: K, date: BakeDate): EntryContents[K] {
	return FIRST[kind](date);
}
