/** A reading that was under way already may be of before what was sent, and one can be overtaken by the next. */
const MOST_READINGS = 3;

/**
 * What is read for one thing that was sent, after what was read for the one before: a reading that is overtaken brings nothing, and two
 * hands that tap by turns could overtake each other's to the last.
 */
let last: Promise<unknown> = Promise.resolve();

/**
 * Reads anew until what was stored stands in what is read, so that nothing is seen to come and go. True where it was read; what is not told even
 * then was taken back by somebody else.
 */
export function readUntilTold(
	read: () => Promise<boolean>,
	isTold: () => boolean
): Promise<boolean> {
	const turn = last.then(() => readings(read, isTold));
	last = turn.catch(() => undefined);
	return turn;
}

async function readings(read: () => Promise<boolean>, isTold: () => boolean): Promise<boolean> {
	for (let reading = 0; reading < MOST_READINGS && !isTold(); reading += 1)
		if (!(await read())) return false;
	return true;
}
