import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { currencySchema, timeZoneSchema } from '../../contracts/bakery-settings.ts';
import { nameSchema } from '../../contracts/text.ts';
import { BY_HAND_MIXER, SKILLS } from '../../core/bakery/index.ts';
import { fail, ok } from '../../core/result.ts';
import { REAL_TIME } from '../../core/time/index.ts';
import { foundingPlaces, FIRST_SETTINGS } from '../services/first-bakery.ts';
import { insertBakery, loadBakery, setClock } from '../db/bakery.ts';
import { FROM_THE_BEGINNING, insertEntryRevision } from '../db/entries.ts';
import { defineCommand } from './define.ts';

/**
 * Begins a bakery on an empty database: its name, its clock and units, the person who heads it, the room all stand in,
 * the flour bins, and hands to mix with. Nothing else is there until somebody enters it.
 */
export const foundBakery = defineCommand({
	kind: 'found-bakery',
	lane: 'settings',
	content: z.object({
		personId: uuidSchema,
		person: nameSchema,
		name: nameSchema,
		timeZone: timeZoneSchema,
		currency: currencySchema,
		mass: z.enum(['metric', 'imperial']),
		temperature: z.enum(['celsius', 'fahrenheit'])
	}),
	right: 'begin-a-bakery',
	refusals: ['bakery-is-there'],
	handle: async (tx, command) => {
		if (await loadBakery(tx)) return fail({ kind: 'bakery-is-there' });
		const { personId, person, occurredAtMs } = command;
		const by = { madeBy: personId, occurredAtMs };
		await insertBakery(tx, {
			...FIRST_SETTINGS,
			name: command.name,
			time_zone: command.timeZone,
			currency: command.currency,
			mass_units: command.mass,
			temperature_units: command.temperature
		});
		await setClock(tx, REAL_TIME);
		const first = { number: 1, appliesFrom: FROM_THE_BEGINNING, retired: false };
		await insertEntryRevision(
			tx,
			{
				...first,
				id: personId,
				kind: 'person',
				name: person,
				content: {
					role: 'head-baker',
					skills: SKILLS,
					shifts: [],
					exceptions: [],
					pacePercent: 100
				}
			},
			by
		);
		for (const { id, ...place } of foundingPlaces())
			await insertEntryRevision(tx, { ...first, id, kind: 'place', ...place }, by);
		await insertEntryRevision(
			tx,
			{ ...first, id: crypto.randomUUID(), kind: 'mixer', name: 'By hand', content: BY_HAND_MIXER },
			by
		);
		return ok({ personId });
	}
});
