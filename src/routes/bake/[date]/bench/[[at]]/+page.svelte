<script lang="ts">
	import BenchRoom from '$lib/features/bench/BenchRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<BenchRoom view={data.bench} moment={data.moment} whose={data.whose}>
	{#snippet again(onClose: () => void)}
		{#await import('$lib/features/plan/PlanAgain.svelte') then { default: Again }}
			<Again date={data.bench.date} {onClose} />
		{/await}
	{/snippet}
</BenchRoom>
