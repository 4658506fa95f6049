import type { Mass, Share } from '../units/index.ts';

/**
 * Gives what must be made so that `needed` is left after a loss and a take-back.
 *
 * Model: gross = (needed + take-back) / (1 - loss); the loss stays in the tub or on the bench.
 * Range: loss from 0 up to but not including 1. Source: domain arithmetic. Failures: a loss outside
 * the range is a bug of the caller (the border refuses it) and throws.
 * Example: 8519.9 g needed, 1000 g taken back and 3 % lost ask for 9814.3 g.
 */
export function grossFor(needed: Mass, takeBack: Mass, loss: Share): Mass {
	if (!(loss.share >= 0 && loss.share < 1)) throw new RangeError('loss must be from 0 up to 1');
	return { grams: (needed.grams + takeBack.grams) / (1 - loss.share) };
}

/** What to scale so that a piece weighs `baked` after the oven took its share. */
export function scaledForBaked(baked: Mass, bakeLoss: Share): Mass {
	return grossFor(baked, { grams: 0 }, bakeLoss);
}
