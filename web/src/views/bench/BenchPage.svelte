<script lang="ts">
  import { route } from '../../routes';
  import Bench from './Bench.svelte';
</script>

<!-- From one bake's bench to another's nothing is carried over. -->
{#key route.params.bake}<Bench />{/key}
