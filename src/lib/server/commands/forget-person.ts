import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { fail, ok } from '../../core/result.ts';
import { wallTimeOf } from '../../core/time/index.ts';
import { loadBakery } from '../db/bakery.ts';
import { insertDoorEntry } from '../db/doors.ts';
import { loadEntries, type On } from '../db/entries.ts';
import { nameForNobody, takeNameOut, takeWaysInAway } from '../db/forgotten-people.ts';
import { defineCommand } from './define.ts';

/**
 * Takes out what names somebody who has left: the name wherever it stands, notes on absences, ways in. What was done stays in the log as
 * that of one person who left, so that a night, a lot and a recall still read whole. There is no way back.
 */
export const forgetPerson = defineCommand({
	kind: 'forget-person',
	lane: 'settings',
	content: z.object({ personId: uuidSchema }),
	right: 'keep-the-house',
	refusals: ['unknown', 'entry-needed'],
	handle: async (tx, { personId, occurredAtMs }, actor) => {
		const bakery = await loadBakery(tx);
		const personOn = async (on: On) =>
			(await loadEntries(tx, on, ['person'])).all('person').find(({ id }) => id === personId);
		const person = await personOn('newest');
		if (!bakery || !person) return fail({ kind: 'unknown', what: 'person' });
		const now = await personOn(wallTimeOf({ epochMs: occurredAtMs }, bakery.timeZone).date);
		// Neither here today nor back one day.
		if (!person.retired || now?.retired === false)
			return fail({ kind: 'entry-needed', name: person.name, as: 'somebody' });
		const called = await nameForNobody(tx);
		await takeNameOut(tx, personId, called);
		await takeWaysInAway(tx, personId, Date.now());
		await insertDoorEntry(tx, { act: 'person-removed', personId, byId: actor.id, about: '' });
		return ok({ called });
	}
});
