/** A reading that was under way already may be of before what was sent, and one can be overtaken by the next. */
const MOST_READINGS = 3;

/**
 * Reads anew until what was stored stands in what is read, so that nothing is seen to come and go. True where it was read; what is not told even
 * then was taken back by somebody else.
 */
export async function readUntilTold(
	read: () => Promise<boolean>,
	isTold: () => boolean
): Promise<boolean> {
	for (let reading = 0; reading < MOST_READINGS; reading += 1) {
		if (!(await read())) return false;
		if (isTold()) return true;
	}
	return true;
}
