<script lang="ts">
	import RipeningRoom from '$lib/features/ripening/RipeningRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<RipeningRoom view={data.ripening} cultures={data.cultures} />
