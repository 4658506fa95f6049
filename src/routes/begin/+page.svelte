<script lang="ts">
	import BeginRoom from '$lib/features/begin/BeginRoom.svelte';
</script>

<BeginRoom />
