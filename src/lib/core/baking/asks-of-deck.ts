import type { BakeFigures, BakeProgramme } from './programme.ts';

/** What bakes ask of the deck they are done on. */
export interface AsksOfDeck {
	/** Steam that the oven gives: not from water poured on a tray. */
	readonly steam: boolean;
	readonly stone: boolean;
	/** Heat from above and below that is set apart. */
	readonly topAndBottom: boolean;
	readonly fan: boolean;
}

/**
 * What the bakes of a piece ask of a deck, all of them together.
 *
 * Range: any programmes; none asks for nothing. Source: domain (ovens). Failures: none.
 * Example: 15 s of steam at loading and the fan on from minute 20 ask for steam and a fan.
 */
export function asksOfDeck(
	bakes: readonly (Pick<BakeFigures, 'steamSeconds'> & { readonly programme: BakeProgramme })[]
): AsksOfDeck {
	const asks = (of: (bake: (typeof bakes)[number]) => boolean) => bakes.some(of);
	return {
		steam: asks(
			({ steamSeconds, programme: { steamByTray, changes } }) =>
				!steamByTray && (steamSeconds > 0 || changes.some((change) => change.steamSeconds > 0))
		),
		stone: asks(({ programme }) => programme.onStone),
		topAndBottom: asks(({ programme: { atLoading, changes } }) =>
			[atLoading, ...changes].some(
				({ topPercent, bottomPercent }) => topPercent !== null || bottomPercent !== null
			)
		),
		fan: asks(({ programme: { atLoading, changes } }) =>
			[atLoading, ...changes].some(({ fan }) => fan === true)
		)
	};
}
