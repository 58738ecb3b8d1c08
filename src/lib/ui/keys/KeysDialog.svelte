<script lang="ts">
  import { Dialog } from 'bits-ui';
  import type { Invocation } from '../../core/actions/action';
  import { keyList } from '../../core/actions/views/key-list';
  import { holdKeyOf } from '../../core/slices/settings/state';
  import { deskHere } from '../desk/desk.svelte';
  import Chord from '../parts/Chord.svelte';
  import Key from '../parts/Key.svelte';
  import { noticeText } from '../words/sayings';
  import { KEYS_TEXTS } from '../words/texts';

  /** What can be done right now, to what is in front, and with which keys. */
  const desk = deskHere();
  const sections = $derived(keyList(desk.registry, desk.keys, desk.session));
  const KEY_SIGNS: Readonly<Record<string, string>> = {
    ArrowDown: '↓',
    ArrowUp: '↑',
    ArrowLeft: '←',
    ArrowRight: '→',
    Escape: 'Esc',
    PageDown: 'Page ↓',
    PageUp: 'Page ↑',
  };
  /** The keys that have names, each of which but the first of all is another way. */
  const alternatives = (invocation: Invocation, names: readonly string[]) =>
    names.map((name, nth) => ({ name, first: nth === 0 && desk.keys.chordOf(invocation) === null }));
  const sign = (name: string) => name.replace(/\w+$/, (key) => KEY_SIGNS[key] ?? key);
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
              {#each lines as { invocation, title, names, not } (`${invocation.action} ${invocation.argument}`)}
                <li class="flex items-baseline gap-2 py-0.5 text-[13px]">
                  <span class="flex w-52 shrink-0 flex-wrap gap-1">
                    <Chord action={invocation.action} />
                    {#each alternatives(invocation, names) as { name, first } (name)}
                      {#if !first}<span class="text-ink-soft">{KEYS_TEXTS.or}</span>{/if}
                      <Key label={sign(name)} />
                    {/each}
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
