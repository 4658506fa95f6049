import type { Tx } from '../db/client.ts';
import { hashOf } from '../auth/passwords.ts';
import { putCredential } from '../db/doors.ts';
import { demoId } from './demo-id.ts';
import { PEOPLE } from './people.ts';

/** With which everybody of the made-up bakery signs in: it guards nothing, and stands on the demo's own door. */
const DEMO_PASSWORD = 'saltmarrow tide';
/** The codes of its tablets, in the order of its people. */
const DEMO_CODES = ['4711', '2580', '1937', '8264', '6053'] as const;

/** Whom the demo's door offers, and with what they come in. */
export function demoPeople() {
	return {
		password: DEMO_PASSWORD,
		people: PEOPLE.map(({ name, content }, at) => ({
			name,
			role: content.role,
			code: DEMO_CODES[at] ?? ''
		}))
	};
}

/** Gives the demo's people their password and codes. */
export async function loadWaysIn(tx: Tx): Promise<void> {
	const password_hash = await hashOf(DEMO_PASSWORD);
	const codes = await Promise.all(DEMO_CODES.map((code) => hashOf(code)));
	for (const [at, { name }] of PEOPLE.entries()) {
		const personId = demoId('person', name);
		await putCredential(tx, personId, { password_hash });
		const code_hash = codes[at];
		if (code_hash !== undefined) await putCredential(tx, personId, { code_hash });
	}
}
