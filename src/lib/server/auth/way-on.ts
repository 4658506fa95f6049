/** An address of this application to go on to; what leads anywhere else leads to its front page. */
export function wayOn(to: string | null | undefined): string {
	return to && /^\/(?![/\\])[\x21-\x7e]*$/.test(to) && !to.startsWith('/sign-in') ? to : '/';
}
