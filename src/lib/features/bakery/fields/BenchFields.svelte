<script lang="ts">
	import type { BenchContent } from '../../../core/bakery/index.ts';
	import type { FieldsProps } from '../entries/fields-props.ts';
	import Figure from './Figure.svelte';

	let { content, onSet }: FieldsProps<'bench'> = $props();
	const set = (change: Partial<BenchContent>) => onSet({ ...content, ...change });
</script>

<Figure
	of="benchLengthCm"
	value={content.lengthCm}
	unit="cm"
	onSet={(lengthCm: number) => set({ lengthCm })}
/>
<Figure
	of="benchWidthCm"
	value={content.widthCm}
	unit="cm"
	onSet={(widthCm: number) => set({ widthCm })}
/>
<Figure of="hands" value={content.hands} onSet={(hands: number) => set({ hands })} />
