/** What a mix is called: its dough, and which of several it is. */
export function mixTitle(mix: {
	readonly name: string;
	readonly ordinal: number;
	readonly count: number;
}): string {
	return mix.count > 1 ? `${mix.name}, mix ${mix.ordinal} of ${mix.count}` : mix.name;
}
