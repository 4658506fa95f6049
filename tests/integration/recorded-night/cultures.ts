import type { CommandContent } from '../../../src/lib/contracts/commands.ts';
import { demoPlaceId } from '../../../src/lib/server/demo/demo-place.ts';
import { demoId } from '../../../src/lib/server/demo/demo-id.ts';
import type { Night } from './night.ts';

/** A culture is set up otherwise, fed, looked at and put away; one of its entries did not happen. */
export async function tendCultures({ tell }: Night): Promise<void> {
	const ingredientId = demoId('ingredient', 'Rye culture');
	const keeping = {
		kind: 'keep-culture' as const,
		ingredientId,
		keeping: {
			ratio: { seed: 1, flour: 4, water: 4 },
			flours: [
				{ flourId: demoId('ingredient', 'Whole rye flour'), parts: 3 },
				{ flourId: demoId('ingredient', 'Light rye flour'), parts: 1 }
			],
			placeId: demoPlaceId('Culture box'),
			restPlaceId: demoPlaceId('Cold room'),
			timeConstantMinutes: 150,
			fedCelsius: 27,
			clock: { referenceCelsius: 26, underMinutes: 260, ripeMinutes: 320, overMinutes: 410 },
			keepGrams: 150,
			feedTimes: ['20:00', '08:00'],
			coldDays: 3,
			refreshes: 2
		},
		expectedVersion: 1
	};
	await tell(120, keeping);
	await tell(120, keeping);
	const feed = { seedGrams: 60, flourGrams: 240, waterGrams: 240 };
	await tell(121, { kind: 'feed-culture', ingredientId, beginning: null, celsius: 27.5, ...feed });
	const tend = (minutes: number, what: CommandContent<'tend-culture'>['what']) =>
		tell(minutes, { kind: 'tend-culture', ingredientId, what });
	await tend(122, { kind: 'measured', celsius: 26.8 });
	await tend(300, { kind: 'seen', sightings: [{ kind: 'volume', seen: 'doubled' }] });
	const out = await tend(301, { kind: 'taken-out', grams: 40 });
	await tend(302, { kind: 'moved', placeId: demoPlaceId('Cold room') });
	await tend(303, { kind: 'counted', grams: 495 });
	if (out.outcome === 'done')
		for (let time = 0; time < 2; time += 1)
			await tell(304, { kind: 'strike-culture', entryId: out.answer.entryId });
}
