<script lang="ts">
  import { DropdownMenu } from 'bits-ui';
  import { untrack } from 'svelte';
  import type { Invocation } from '../../core/actions/action';
  import { windowMenuOf } from '../../core/actions/views/window-menu';
  import { has } from '../../core/model/table';
  import { applicationOf } from '../../core/slices/applications/selectors';
  import { titleOf, windowOf } from '../../core/slices/windows/selectors';
  import { deskHere } from '../desk/desk.svelte';
  import { MENU_TEXTS } from '../words/texts';
  import ActItem from './ActItem.svelte';
  import { MENU, MENU_HEADING } from './looks';

  /** What can be done with what the keys acted on when it was opened. It stands still while it is open. */
  const desk = deskHere();
  const { target, name, menu } = untrack(() => {
    const { session } = desk;
    const on = desk.state.dialogOn;
    const there = on && has(session.applications, on.application);
    const window = on?.window && has(session.windows, on.window) ? on.window : null;
    const target = there ? { ...on, window } : null;
    const name =
      target &&
      (window ? titleOf(windowOf(session, window)) : applicationOf(session, target.application).name);
    return { target, name: name ?? '', menu: target && windowMenuOf(session, target) };
  });

  /** Where it is: at its window if that is in sight, else at the surface. */
  const anchor = untrack(
    () =>
      document.querySelector<HTMLElement>(`#window-${target?.window}:not(.invisible) header`) ??
      document.querySelector<HTMLElement>('main'),
  );
  let content = $state<HTMLElement | null>(null);

  function goToFirst(event: Event) {
    event.preventDefault();
    content?.querySelector<HTMLElement>('[role=menuitem]')?.focus();
  }

  function label(invocation: Invocation): string {
    const hidden = target && applicationOf(desk.session, target.application).hidden;
    if (invocation.action === 'hide-or-show' && hidden) return MENU_TEXTS.show;
    return desk.registry.words(invocation, desk.session).short;
  }
</script>

{#if target && menu}
  <DropdownMenu.Root bind:open={() => desk.dialog === 'menu', (open) => (desk.dialog = open ? 'menu' : null)}>
    <DropdownMenu.Portal>
      <DropdownMenu.Content
        bind:ref={content}
        customAnchor={anchor}
        side="bottom"
        align="start"
        sideOffset={2}
        collisionPadding={8}
        aria-label={MENU_TEXTS.of(name)}
        onOpenAutoFocus={goToFirst}
        onCloseAutoFocus={(event) => event.preventDefault()}
        class={MENU}
      >
        <p class="flex items-baseline gap-2 px-3 pt-2 font-[650]">{name}</p>
        {#each menu as { section, acts } (section)}
          <DropdownMenu.Group>
            <DropdownMenu.GroupHeading class={MENU_HEADING}>{MENU_TEXTS[section]}</DropdownMenu.GroupHeading>
            {#each acts as invocation (invocation.action)}
              <ActItem {invocation} {target} label={label(invocation)} />
            {/each}
          </DropdownMenu.Group>
        {/each}
      </DropdownMenu.Content>
    </DropdownMenu.Portal>
  </DropdownMenu.Root>
{/if}
