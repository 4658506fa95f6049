import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { uuidSchema } from '$lib/contracts/border-schemas.ts';
import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readWeighUp } from '$lib/server/services/read-weigh-up.ts';
import type { PageServerLoad } from './$types';

const whatSchema = z.object({
	kind: z.enum(['mix', 'preparation']),
	recipeId: uuidSchema,
	ordinal: z.coerce.number().int().min(1).max(500)
});

/** A mix or a preparation of a date, to be weighed line by line. */
export const load: PageServerLoad = ({ params, depends, locals }) => {
	depends('jovet:day', 'jovet:moment');
	const date = dateOfPage(params.date);
	const { what: kind, recipe: recipeId, ordinal } = params;
	const what = whatSchema.safeParse({ kind, recipeId, ordinal });
	if (!what.success)
		error(404, {
			message: 'Nothing is weighed at this address.',
			next: { href: `/bake/${date}/doughs`, label: 'Go to the doughs' }
		});
	return forPage(locals, async () => ({
		date,
		weighUp: await readWeighUp(database(), date, what.data, Date.now())
	}));
};
