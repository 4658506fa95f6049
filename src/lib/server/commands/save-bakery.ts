import { z } from 'zod';
import {
	altitudeSchema,
	currencySchema,
	timeZoneSchema,
	weighMinutesSchema
} from '../../contracts/bakery-settings.ts';
import { versionSchema } from '../../contracts/border-schemas.ts';
import { nameSchema } from '../../contracts/text.ts';
import { fail, ok } from '../../core/result.ts';
import { loadBakery, updateBakery } from '../db/bakery.ts';
import { defineCommand } from './define.ts';

/** Saves what the bakery is called, where its clock hangs, what its money is, how high it stands and how long weighing takes. */
export const saveBakery = defineCommand({
	kind: 'save-bakery',
	lane: 'settings',
	content: z.object({
		name: nameSchema,
		timeZone: timeZoneSchema,
		currency: currencySchema,
		altitudeMetres: altitudeSchema,
		weighMinutes: weighMinutesSchema,
		expectedVersion: versionSchema
	}),
	right: 'keep-the-house',
	refusals: ['settings-changed-meanwhile', 'no-bakery'],
	handle: async (tx, command) => {
		const { name, timeZone, currency, altitudeMetres, weighMinutes } = command;
		const settings = { name, timeZone, currency, altitudeMetres, weighMinutes };
		const version = await updateBakery(tx, settings, command.expectedVersion);
		if (version !== null) return ok({ version });
		const now = await loadBakery(tx);
		return now
			? fail({ kind: 'settings-changed-meanwhile', version: now.version })
			: fail({ kind: 'no-bakery' });
	}
});
