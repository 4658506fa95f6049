import type { Refusal } from '../../contracts/refusals.ts';

/** The status of HTTP that each refusal is answered with. */
export const REFUSAL_STATUS: Readonly<Record<Refusal['kind'], number>> = {
	malformed: 400,
	'id-used-before': 409,
	'not-permitted': 403,
	unknown: 422,
	'changed-meanwhile': 409,
	'settings-changed-meanwhile': 409,
	'newer-revision': 409,
	'not-mixed-yet': 409,
	'before-the-mix': 422,
	'dough-has-no-clock': 422,
	'more-than-a-mixer': 422,
	'entry-impossible': 422,
	'entry-needed': 422,
	'bakery-is-there': 409,
	'name-taken': 409,
	'name-alike': 409,
	'formula-impossible': 422,
	'orders-there-already': 409,
	'nothing-to-copy': 422,
	'plan-out-of-date': 409,
	'plan-impossible': 422,
	'too-large': 413,
	'clock-off': 422,
	'from-elsewhere': 403,
	'too-much': 422,
	'not-storable': 422,
	'no-bakery': 503,
	busy: 503,
	'database-unavailable': 503
};
