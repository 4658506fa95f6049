<script lang="ts">
	import RoomHeading from '$lib/ui/RoomHeading.svelte';
</script>

<RoomHeading sentence="There is no formula in the book yet." />
