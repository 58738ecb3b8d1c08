<script lang="ts">
  import { Label, Switch } from 'bits-ui';

  /** A setting that is on or off, and what that means in a few words. */
  let {
    name,
    title,
    hint,
    checked,
    change,
  }: { name: string; title: string; hint: string; checked: boolean; change: (on: boolean) => void } =
    $props();
</script>

<div class="grid grid-cols-[150px_1fr] items-center gap-2">
  <Label.Root for="setting-{name}" class="font-[650]">{title}</Label.Root>
  <span class="flex items-center gap-3">
    <Switch.Root
      id="setting-{name}"
      {checked}
      onCheckedChange={change}
      aria-describedby="setting-{name}-hint"
      class="inline-flex h-6 w-11 shrink-0 items-center border border-ink px-0.5 data-[state=checked]:bg-ink"
    >
      <Switch.Thumb
        class="block size-4 bg-ink data-[state=checked]:translate-x-5 data-[state=checked]:bg-paper"
      />
    </Switch.Root>
    <span id="setting-{name}-hint" class="text-ink-soft">{hint}</span>
  </span>
</div>
