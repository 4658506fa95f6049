<script lang="ts">
	import OvensRoom from '$lib/features/ovens/OvensRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<OvensRoom view={data} />
