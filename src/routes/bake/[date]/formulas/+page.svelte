<script lang="ts">
	import NewFormulaForm from '$lib/features/formulas/NewFormulaForm.svelte';
	import RoomHeading from '$lib/ui/RoomHeading.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<RoomHeading sentence="There is no formula in the book yet." />
<div class="mx-5 max-w-sm"><NewFormulaForm date={data.date} /></div>
