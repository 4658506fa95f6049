/** A page that learns that nobody is signed in here any more says so to the frame, by an event of this name. */
export const SIGNED_OUT = 'jovet-signed-out';

/** Says it. */
export function tellSignedOut(): void {
	window.dispatchEvent(new Event(SIGNED_OUT));
}
