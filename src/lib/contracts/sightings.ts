import { z } from 'zod';
import { SIGHTINGS, type Sighting, type SightingKind } from '../core/fermentation/index.ts';

const sighting = z.custom<Sighting>((value) => {
	const one = value as Partial<Record<'kind' | 'seen', unknown>> | null;
	if (typeof one !== 'object' || one === null || Object.keys(one).length !== 2) return false;
	const seen: readonly string[] | undefined =
		typeof one.kind === 'string' && Object.hasOwn(SIGHTINGS, one.kind)
			? SIGHTINGS[one.kind as SightingKind]
			: undefined;
	return typeof one.seen === 'string' && (seen?.includes(one.seen) ?? false);
}, 'not a thing that is looked for');

/** What was seen of a dough: each thing that is looked for once. */
export const sightingsSchema = z
	.array(sighting)
	.max(12)
	.refine((all) => new Set(all.map((sighting) => sighting.kind)).size === all.length, {
		message: 'each thing is looked for once'
	});
