/** Who acts: a person of the bakery, who begins one, or a screen in nobody's hands. */
export type ActingRole = 'head-baker' | 'baker' | 'oven-hand' | 'packer' | 'founder' | 'screen';

const PEOPLE = ['head-baker', 'baker', 'oven-hand', 'packer'] as const;

/**
 * What each role may do: the one table. A page and a file name the right that reading them asks for
 * (`server/auth/rights-of-routes`), a command the one that giving it asks for.
 */
export const RIGHTS = {
	/** The night: bench, ovens, fermentation, water, weigh-up, run sheet. */
	'see-the-night': [...PEOPLE, 'screen'],
	/** The day around it: orders, doughs, stock, plan, log, trace, morning. */
	'see-the-day': PEOPLE,
	/** Formulas, preparations, products, ingredients. */
	'see-the-book': ['head-baker', 'baker', 'oven-hand'],
	/** What the bakery has, who works there, what was learned of whom. */
	'see-the-house': ['head-baker', 'baker'],
	/** Taps, weights, temperatures, judgements, counts: what hands tell of the night. */
	'work-at-the-bench': PEOPLE,
	'change-orders': ['head-baker', 'baker', 'packer'],
	'change-the-plan': ['head-baker', 'baker'],
	'change-the-book': ['head-baker', 'baker'],
	/** What the bakery has, its people and doors, all of its data at once. */
	'keep-the-house': ['head-baker'],
	/** An empty database becomes a bakery; asked where there is one, all are told that there is. */
	'begin-a-bakery': [...PEOPLE, 'founder']
} as const satisfies Readonly<Record<string, readonly ActingRole[]>>;

export type Right = keyof typeof RIGHTS;

/** Whether a role has a right. */
export function mayRole(role: ActingRole, right: Right): boolean {
	const roles: readonly ActingRole[] = RIGHTS[right];
	return roles.includes(role);
}

/** The people who have a right, as they are spoken of: "a head baker or a baker". */
export function rolesSpoken(roles: readonly string[]): string {
	const spoken = roles
		.filter((role) => role !== 'founder' && role !== 'screen')
		.map((role) => `${/^[aeiou]/.test(role) ? 'an' : 'a'} ${role.replace('-', ' ')}`);
	const last = spoken.at(-1) ?? 'nobody';
	return spoken.length < 2 ? last : `${spoken.slice(0, -1).join(', ')} or ${last}`;
}
