import type { Db } from '../db/client.ts';
import { findDeviceByKey, type KnownDevice } from '../db/devices.ts';
import { fingerprint } from './secrets.ts';

export type DeviceEntry =
	| { readonly kind: 'in'; readonly device: KnownDevice }
	| { readonly kind: 'no-key' | 'unknown-key' | 'revoked' };

/** What is kept of a device's key. */
export { fingerprint as keyFingerprint };

/** Who a device is, by the key in its `Authorization: Bearer` header. */
export async function deviceOf(db: Db, authorization: string | null): Promise<DeviceEntry> {
	const key = /^Bearer ([\x21-\x7e]{16,200})$/.exec(authorization ?? '')?.[1];
	if (!key) return { kind: 'no-key' };
	// Looked up by its fingerprint: how long that takes tells nothing of the key.
	const device = await findDeviceByKey(db, fingerprint(key));
	if (!device) return { kind: 'unknown-key' };
	return device.revoked ? { kind: 'revoked' } : { kind: 'in', device };
}
