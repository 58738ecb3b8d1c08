<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { keyList } from '../../core/actions/views/key-list';
  import type { Bound } from '../../core/actions/views/key-map';
  import { holdKeyOf } from '../../core/slices/settings/state';
  import { deskHere } from '../desk/desk.svelte';
  import Chord from '../parts/Chord.svelte';
  import Key from '../parts/Key.svelte';
  import { capsOf } from '../parts/key-names';
  import { noticeText } from '../words/sayings';
  import { KEYS_TEXTS } from '../words/texts';

  /** What can be done right now, to what is in front, and with which keys. */
  const desk = deskHere();
  const sections = $derived(keyList(desk.registry, desk.keys, desk.session));
  /** The last of several keys that lie side by side; those between them go without saying. */
  const lastCap = (bound: Bound) => capsOf(bound).at(-1);
</script>

<Dialog.Root bind:open={() => desk.dialog === 'keys', (open) => (desk.dialog = open ? 'keys' : null)}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-(--veil)" />
    <Dialog.Content
      class="fixed top-6 left-1/2 z-50 flex max-h-[calc(100%-48px)] w-[1040px] max-w-full -translate-x-1/2 flex-col gap-3 overflow-y-auto border-l-[30px] border-bar bg-paper-high p-5 outline-none"
    >
      <Dialog.Title class="text-lg font-[650]">{KEYS_TEXTS.title}</Dialog.Title>
      <Dialog.Description class="text-ink-soft">
        {KEYS_TEXTS.hint(holdKeyOf(desk.session.settings))}
      </Dialog.Description>
      <div class="columns-2 gap-8 max-sm:columns-1">
        {#each sections as { group, lines } (group)}
          <section class="mb-3 break-inside-avoid" aria-label={KEYS_TEXTS.groups[group]}>
            <h3 class="border-b border-line pb-0.5 font-[650]">{KEYS_TEXTS.groups[group]}</h3>
            <ul>
              {#each lines as { chord, invocation, title, others, upTo, not } (`${invocation.action} ${invocation.argument}`)}
                <li class="flex items-baseline gap-2 py-0.5 text-[13px]">
                  <span class="flex w-52 shrink-0 flex-wrap gap-1">
                    <Chord {...invocation} />
                    {#each others as bound, nth (nth)}
                      {#if chord !== null || nth > 0}<span class="text-ink-soft">{KEYS_TEXTS.or}</span>{/if}
                      {#each capsOf(bound) as label (label)}<Key {label} />{/each}
                    {/each}
                    {#if upTo}<span class="text-ink-soft">…</span><Key label={lastCap(upTo)} />{/if}
                  </span>
                  <span class={not ? 'text-ink-soft' : ''}>
                    {title}
                    {#if not}<span class="block text-xs">{noticeText(not, desk)}</span>{/if}
                  </span>
                </li>
              {/each}
            </ul>
          </section>
        {/each}
        <p class="flex items-baseline gap-2 text-[13px]">
          <span class="flex w-52 gap-1"><Key label="Ctrl" /><Key label={KEYS_TEXTS.saveKey} /></span>
          {KEYS_TEXTS.save}
        </p>
      </div>
      <Dialog.Close class="key-shaped shrink-0 self-end border-line bg-paper px-2 py-0.5"
        >{KEYS_TEXTS.close}</Dialog.Close
      >
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
