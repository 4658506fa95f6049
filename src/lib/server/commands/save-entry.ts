import { z } from 'zod';
import { bakeDateSchema, uuidSchema, versionSchema } from '../../contracts/border-schemas.ts';
import { entrySchema, type TaggedContent } from '../../contracts/entry-schemas.ts';
import type { RefusalOf } from '../../contracts/refusals.ts';
import { nameSchema } from '../../contracts/text.ts';
import { entryProblems, type BakeryEntry } from '../../core/bakery/index.ts';
import { fail, ok } from '../../core/result.ts';
import type { Tx } from '../db/client.ts';
import {
	insertEntryRevision,
	loadEntries,
	loadEntryNames,
	lockEntry,
	lockEntryNames
} from '../db/entries.ts';
import { plansAhead, plansThatChanged } from '../services/plans-affected.ts';
import { defineCommand } from './define.ts';
import { nameProblem } from './name-problem.ts';

/**
 * Saves something the bakery has, as it is from a date on; a new id is a new one. Nothing is deleted: what is retired
 * goes on where it is named, and is offered for nothing new. Answers which accepted plans it changes.
 */
export const saveEntry = defineCommand({
	kind: 'save-entry',
	lane: 'settings',
	content: z.intersection(
		z.object({
			entryId: uuidSchema,
			/** How often it was saved when its editor saw it; 0 for a new one. */
			expectedNumber: versionSchema,
			name: nameSchema,
			appliesFrom: bakeDateSchema,
			retired: z.boolean().default(false)
		}),
		entrySchema
	),
	right: 'keep-the-house',
	refusals: [
		'name-taken',
		'name-alike',
		'unknown',
		'newer-revision',
		'entry-impossible',
		'entry-needed'
	],
	handle: async (tx, command, actor) => {
		const { entryId, entryKind, expectedNumber, name, appliesFrom, retired } = command;
		await lockEntryNames(tx, entryKind);
		const there = await lockEntry(tx, entryId);
		if ((there && there.kind !== entryKind) || (!there && expectedNumber > 0))
			return fail({ kind: 'unknown', what: 'bakery-entry' });
		if (there && there.number !== expectedNumber)
			return fail({
				kind: 'newer-revision',
				name: there.name,
				revision: there.number,
				by: there.by
			});
		const names = await loadEntryNames(tx, entryKind);
		const problem = nameProblem(
			name,
			names.filter((other) => other.id !== entryId).map((other) => other.name),
			{ before: there?.name ?? null, meant: command.nameMeant }
		);
		if (problem) return fail(problem);
		const problems = entryProblems(entryKind, command.content);
		if (problems.length > 0) return fail({ kind: 'entry-impossible', name, problems });
		const entry: BakeryEntry = {
			id: entryId,
			kind: entryKind,
			name,
			number: expectedNumber + 1,
			appliesFrom,
			retired,
			content: command.content
		};
		const refusal = await misfit(tx, entry, command);
		if (refusal) return fail(refusal);
		const before = await plansAhead(tx, appliesFrom, command.occurredAtMs);
		await insertEntryRevision(tx, entry, {
			madeBy: actor.id,
			occurredAtMs: command.occurredAtMs
		});
		return ok({ number: entry.number, plansChanged: await plansThatChanged(tx, before) });
	}
});

/** What does not go with the rest of the bakery. */
async function misfit(
	tx: Tx,
	{ id, name, retired }: BakeryEntry,
	tagged: TaggedContent
): Promise<RefusalOf<'unknown' | 'entry-needed'> | null> {
	switch (tagged.entryKind) {
		case 'person': {
			const people = (await loadEntries(tx, 'newest', ['person'])).of('person');
			const isHead = !retired && tagged.content.role === 'head-baker';
			const others = people.filter((one) => one.id !== id && one.content.role === 'head-baker');
			return isHead || others.length > 0 ? null : { kind: 'entry-needed', name, as: 'head-baker' };
		}
		case 'place': {
			const places = (await loadEntries(tx, 'newest', ['place'])).all('place');
			const role = places.find((one) => one.id === id)?.content.role ?? 'other';
			// The room all stand in, and the bins, are there once: they are told from the others by what they are.
			const { content } = tagged;
			if (content.role !== role) return { kind: 'unknown', what: 'place' };
			if (content.ovenId !== null) {
				const ovens = (await loadEntries(tx, 'newest', ['oven'])).all('oven');
				if (!ovens.some((oven) => oven.id === content.ovenId))
					return { kind: 'unknown', what: 'bakery-entry' };
			}
			const stays = role === 'other' || (!retired && content.placeKind === 'room');
			return stays ? null : { kind: 'entry-needed', name, as: role };
		}
		case 'oven': {
			const ovens = (await loadEntries(tx, 'newest', ['oven'])).all('oven');
			const taken = new Set(
				ovens
					.filter((one) => one.id !== id)
					.flatMap(({ content }) => content.decks.map((deck) => deck.id))
			);
			const ids = tagged.content.decks.map((deck) => deck.id);
			return ids.some((deckId) => taken.has(deckId)) || new Set(ids).size < ids.length
				? { kind: 'unknown', what: 'bakery-entry' }
				: null;
		}
		case 'customer': {
			const drops = (await loadEntries(tx, 'newest', ['drop'])).all('drop');
			return drops.some((drop) => drop.id === tagged.content.dropId)
				? null
				: { kind: 'unknown', what: 'drop' };
		}
		default:
			return null;
	}
}
