import { SKILLS, type Break, type Person, type Skill } from '../../core/bakery/index.ts';
import type { WallTime } from '../../core/time/index.ts';

export const HEAD_BAKER = 'Maud Tarrow';

const WEEKDAYS = [1, 2, 3, 4, 5];

/** A shift of eight hours on each of these days, with half an hour off in it. */
function works(weekdays: readonly number[], from: string, pause: string): Person['shifts'] {
	const breaks: readonly Break[] = [{ from: pause as WallTime, minutes: 30 }];
	return weekdays.map((weekday) => ({ weekday, from: from as WallTime, minutes: 480, breaks }));
}

function baker(skills: readonly Skill[], shifts: Person['shifts']): Person {
	return { role: 'baker', skills, shifts, exceptions: [], pacePercent: 100 };
}

/** Who works in the Saltmarrow Bakehouse: three bakers through the week and a fourth around its end, and who packs and drives. */
export const PEOPLE: readonly { readonly name: string; readonly content: Person }[] = [
	{
		name: HEAD_BAKER,
		content: {
			role: 'head-baker',
			skills: SKILLS,
			// From the evening into the morning after.
			shifts: works(WEEKDAYS, '22:00', '02:00'),
			exceptions: [],
			pacePercent: 90
		}
	},
	{
		name: 'Ilo Venn',
		content: baker(['mixing', 'shaping', 'oven'], works([...WEEKDAYS, 7], '14:00', '18:00'))
	},
	{
		name: 'Perrin Oake',
		content: baker(
			['shaping', 'oven', 'packing', 'driving'],
			works([...WEEKDAYS, 6], '01:00', '05:00')
		)
	},
	{
		name: 'Wenna Tull',
		content: {
			...baker(['packing', 'driving'], works([...WEEKDAYS, 6], '04:30', '08:30')),
			role: 'packer'
		}
	},
	{
		name: 'Sela Wick',
		content: {
			...baker(
				['mixing', 'shaping', 'oven', 'lamination', 'packing'],
				[...works([5], '20:00', '00:00'), ...works([7], '22:00', '02:00')]
			),
			pacePercent: 110
		}
	}
];
