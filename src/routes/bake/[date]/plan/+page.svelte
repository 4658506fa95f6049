<script lang="ts">
	import PlanRoom from '$lib/features/plan/PlanRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

{#key data.view.date}
	<PlanRoom view={data.view} tapped={data.tapped} fromTaps={data.fromTaps} />
{/key}
