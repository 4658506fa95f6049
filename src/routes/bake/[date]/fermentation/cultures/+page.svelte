<script lang="ts">
	import CulturesRoom from '$lib/features/cultures/CulturesRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<CulturesRoom view={data} />
