/** A name as it is looked for: whatever its case, and without the mark that keeps a sheet from calculating. */
export function nameKey(name: string): string {
	return name.trim().replace(/^'/, '').normalize('NFC').toLocaleLowerCase('en');
}
