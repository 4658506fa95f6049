import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { ENTRY_CONTENTS } from '../../contracts/entry-schemas.ts';
import { nameSchema } from '../../contracts/text.ts';
import { entryProblems } from '../../core/bakery/index.ts';
import { fail, ok } from '../../core/result.ts';
import {
	FROM_THE_BEGINNING,
	insertEntryRevision,
	loadEntries,
	lockEntry,
	lockEntryNames
} from '../db/entries.ts';
import { plansAhead, plansThatChanged } from '../services/plans-affected.ts';
import { defineCommand } from './define.ts';

/**
 * Takes closed days out of a calendar, all of them or none. Days that are there already are not taken twice; a name that
 * is taken for other days gets the day behind it.
 */
export const takeClosedDays = defineCommand({
	kind: 'take-closed-days',
	lane: 'settings',
	content: z.object({
		days: z
			.array(
				z.object({
					entryId: uuidSchema,
					name: nameSchema,
					content: ENTRY_CONTENTS['closed-days']
				})
			)
			.min(1)
			.max(400)
	}),
	right: 'keep-the-house',
	refusals: ['entry-impossible', 'id-used-before'],
	handle: async (tx, { days, occurredAtMs }, actor) => {
		await lockEntryNames(tx, 'closed-days');
		const there = [...(await loadEntries(tx, 'newest', ['closed-days'])).all('closed-days')];
		const before = await plansAhead(tx, FROM_THE_BEGINNING, occurredAtMs);
		let added = 0;
		for (const { entryId, name, content } of days) {
			const problems = entryProblems('closed-days', content);
			if (problems.length > 0) return fail({ kind: 'entry-impossible', name, problems });
			// An id of another kind is taken as well.
			if (await lockEntry(tx, entryId)) return fail({ kind: 'id-used-before' });
			const isThere = there.some(
				(one) =>
					!one.retired &&
					one.content.fromDate === content.fromDate &&
					one.content.toDate === content.toDate &&
					one.content.yearly === content.yearly
			);
			if (isThere) continue;
			const entry = {
				id: entryId,
				kind: 'closed-days' as const,
				name: freeName(
					name,
					content.fromDate,
					there.map((one) => one.name)
				),
				number: 1,
				appliesFrom: FROM_THE_BEGINNING,
				retired: false,
				content
			};
			await insertEntryRevision(tx, entry, { madeBy: actor.id, occurredAtMs });
			there.push(entry);
			added += 1;
		}
		return ok({
			added,
			thereAlready: days.length - added,
			plansChanged: await plansThatChanged(tx, before)
		});
	}
});

const MOST_NAME = 200;

function freeName(name: string, fromDate: string, taken: readonly string[]): string {
	if (!taken.includes(name)) return name;
	const dated = `${name.slice(0, MOST_NAME - fromDate.length - 6)} ${fromDate}`;
	let free = dated;
	for (let number = 2; taken.includes(free); number += 1) free = `${dated} ${number}`;
	return free;
}
