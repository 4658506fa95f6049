import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { fail, ok } from '../../core/result.ts';
import { revokeDeviceAt } from '../db/devices.ts';
import { defineCommand } from './define.ts';

/** Removes a device: it is heard no more; what it read stays. */
export const revokeDevice = defineCommand({
	kind: 'revoke-device',
	lane: 'settings',
	content: z.object({ deviceId: uuidSchema }),
	right: 'keep-the-house',
	refusals: ['unknown'],
	handle: async (tx, { deviceId, occurredAtMs }) =>
		(await revokeDeviceAt(tx, deviceId, occurredAtMs))
			? ok({ deviceId })
			: fail({ kind: 'unknown', what: 'device' })
});
