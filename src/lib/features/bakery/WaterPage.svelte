<script lang="ts">
	import type { BakeryRoomView } from '../../contracts/bakery-views.ts';
	import BakeryPage from './BakeryPage.svelte';
	import SupplySettings from './SupplySettings.svelte';

	interface Props {
		view: BakeryRoomView;
	}
	let { view }: Props = $props();
	const { supply } = $derived(view);
	const sentence = $derived(
		supply.iceMostShare > 0
			? `Up to ${Math.round(supply.iceMostShare * 100)} % of a dough’s flour can be ice${supply.chilledCelsius === null ? '; there is no chiller' : ''}.`
			: `No ice is used${supply.chilledCelsius === null ? ', and there is no chiller' : ''}.`
	);
</script>

<BakeryPage
	date={view.date}
	counts={view.counts}
	current="water"
	{sentence}
	note="What taps, chiller and ice can give: the water of each mix is sought within it."
>
	<SupplySettings {supply} />
</BakeryPage>
