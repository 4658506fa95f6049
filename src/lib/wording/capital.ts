/** A text that begins a sentence or stands by itself. */
export function capital(text: string): string {
	return text.charAt(0).toUpperCase() + text.slice(1);
}
