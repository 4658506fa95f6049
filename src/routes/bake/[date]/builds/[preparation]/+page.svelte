<script lang="ts">
	import BuildRoom from '$lib/features/formulas/build/BuildRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

{#key `${data.preparation?.id ?? 'new'} ${data.revision}`}
	<BuildRoom view={data} />
{/key}
