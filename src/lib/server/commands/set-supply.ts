import { z } from 'zod';
import { versionSchema } from '../../contracts/border-schemas.ts';
import { ICE_FORMS } from '../../core/heat/index.ts';
import { fail, ok } from '../../core/result.ts';
import { loadBakery, updateSupply } from '../db/bakery.ts';
import { defineCommand } from './define.ts';

/**
 * Sets what taps, chiller and ice can give; as they stand together they are saved together. Of two who set it
 * at once the second is told.
 */
export const setSupply = defineCommand({
	kind: 'set-supply',
	lane: 'settings',
	content: z.object({
		iceForm: z.enum(ICE_FORMS),
		iceMostShare: z.number().min(0).max(1),
		iceCelsius: z.number().min(-40).max(0),
		/** null where there is no chiller. */
		chilledCelsius: z.number().min(0).max(20).nullable(),
		hotTapCelsius: z.number().min(20).max(95),
		hottestWaterCelsius: z.number().min(20).max(60),
		expectedVersion: versionSchema
	}),
	right: 'keep-the-house',
	refusals: ['settings-changed-meanwhile', 'no-bakery'],
	handle: async (tx, { expectedVersion, ...supply }) => {
		const version = await updateSupply(tx, supply, expectedVersion);
		if (version !== null) return ok({ version });
		const now = await loadBakery(tx);
		return now
			? fail({ kind: 'settings-changed-meanwhile', version: now.version })
			: fail({ kind: 'no-bakery' });
	}
});
