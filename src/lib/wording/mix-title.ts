/** What a mix or a build is called: its dough or recipe, and which of several it is. */
export function mixTitle(mix: {
	readonly kind?: 'mix' | 'pre-ferment' | 'preparation';
	readonly name: string;
	readonly ordinal: number;
	readonly count: number;
}): string {
	return mix.count > 1
		? `${mix.name}, ${(mix.kind ?? 'mix') === 'mix' ? 'mix ' : ''}${mix.ordinal} of ${mix.count}`
		: mix.name;
}
