<script lang="ts">
	import WaterRoom from '$lib/features/water/WaterRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<WaterRoom view={data} />
