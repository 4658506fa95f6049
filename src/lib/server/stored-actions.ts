import { error, isHttpError, isRedirect } from '@sveltejs/kit';
import { passingTrouble } from './page.ts';

/** Actions of a page that tell what passes, a database that is away or full, as the page itself would. */
export function storedActions<A extends Readonly<Record<string, (event: never) => unknown>>>(
	actions: A
): A {
	const told = Object.entries(actions).map(([name, action]) => [
		name,
		async (event: never) => {
			try {
				return await action(event);
			} catch (thrown) {
				if (isHttpError(thrown) || isRedirect(thrown)) throw thrown;
				const message = passingTrouble(thrown);
				if (message !== null) error(503, { message });
				throw thrown;
			}
		}
	]);
	// Each is called as before, and answers as before.
	return Object.fromEntries(told) as A;
}
