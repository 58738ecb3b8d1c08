<script lang="ts">
  import { DropdownMenu } from 'bits-ui';
  import { untrack } from 'svelte';
  import type { Invocation } from '../../core/actions/action';
  import { walkTarget } from '../../core/index/at-the-index';
  import { placeMenuOf } from '../../core/index/place-menu';
  import { placeViews } from '../../core/index/place-view';
  import { folderOf } from '../../core/folders/folder';
  import { thingAt } from '../../core/slices/places/selectors';
  import { standingOfWindow } from '../../core/switcher/standing';
  import { standingText } from '../../core/switcher/standing-text';
  import { titleOf } from '../../core/slices/windows/selectors';
  import { deskHere } from '../desk/desk.svelte';
  import ActItem from '../menu/ActItem.svelte';
  import { MENU, MENU_HEADING, MENU_ITEM } from '../menu/looks';
  import { MENU_TEXTS, placeName } from '../words/texts';

  /** What can be done with the place where the walk is. It stands still while it is open. */
  const desk = deskHere();
  const { place, target, menu } = untrack(() => {
    const { session, walk, registry } = desk;
    const place = walk && placeViews(session)[walk.at];
    const target = walk && walkTarget(session, walk);
    return { place, target, menu: target && placeMenuOf(session, registry, target) };
  });

  /** Where a document lies that stands here. */
  const folder = untrack(() => {
    const thing = place && thingAt(desk.session, place.digit);
    return thing && typeof thing === 'object' ? folderOf(desk.session, thing.document) : null;
  });

  let content = $state<HTMLElement | null>(null);

  /** What is done with the place itself, by the keys of the walk. */
  const CARRYING: readonly Invocation[] = ['carry-up', 'carry-down', 'take-out', 'undo-index'].map(
    (action) => ({
      action,
      argument: null,
    }),
  );
  /** Closes the menu before anything is done, so that the focus goes where that leads. */
  function choose(does: () => void) {
    desk.dialog = null;
    does();
  }

  /** However it was opened, the keys go on from the first item. */
  function goToFirst(event: Event) {
    event.preventDefault();
    content?.querySelector<HTMLElement>('[role=menuitem]')?.focus();
  }

  function label(invocation: Invocation): string {
    if (invocation.action === 'hide-or-show' && place?.application.hidden) return MENU_TEXTS.show;
    const { short, title } = desk.registry.words(invocation, desk.session);
    return CARRYING.includes(invocation) ? title : short;
  }
</script>

{#if place && target && menu}
  <DropdownMenu.Root
    bind:open={() => desk.dialog === 'place-menu', (open) => (desk.dialog = open ? 'place-menu' : null)}
  >
    <DropdownMenu.Portal>
      <DropdownMenu.Content
        bind:ref={content}
        customAnchor={document.querySelector<HTMLElement>(`#place-${place.digit}`)}
        side="left"
        align="start"
        sideOffset={8}
        collisionPadding={8}
        aria-label={placeName(place)}
        onOpenAutoFocus={goToFirst}
        onCloseAutoFocus={(event) => event.preventDefault()}
        class={MENU}
      >
        <p class="flex items-baseline gap-2 px-3 pt-2 font-[650]">{place.name}</p>
        {#if menu.windows.length > 0}
          <DropdownMenu.Group>
            <DropdownMenu.GroupHeading class={MENU_HEADING}>{MENU_TEXTS.windows}</DropdownMenu.GroupHeading>
            {#each menu.windows as window (window.id)}
              <DropdownMenu.Item
                class={MENU_ITEM}
                onSelect={() =>
                  choose(() => {
                    desk.invoke('leave-index');
                    desk.wish({ type: 'bring-to-front', window: window.id, raiseAll: false });
                  })}
              >
                <span class="truncate">{titleOf(window)}</span>
                <span class="ml-auto flex gap-1.5">
                  {#each standingOfWindow(desk.session, window.id) as state (state.type)}
                    <span class="chip bg-paper">{standingText(state)}</span>
                  {/each}
                </span>
              </DropdownMenu.Item>
            {/each}
          </DropdownMenu.Group>
        {/if}
        {#if menu.documents.length > 0}
          <DropdownMenu.Group>
            <DropdownMenu.GroupHeading class={MENU_HEADING}>{MENU_TEXTS.documents}</DropdownMenu.GroupHeading>
            {#each menu.documents as { id, title } (id)}
              <DropdownMenu.Item
                class={MENU_ITEM}
                onSelect={() =>
                  choose(() => {
                    desk.invoke('leave-index');
                    desk.wish({ type: 'open-document', document: id });
                  })}>{title}</DropdownMenu.Item
              >
            {/each}
          </DropdownMenu.Group>
        {/if}
        {#if folder}
          <DropdownMenu.Item
            class={MENU_ITEM}
            onSelect={() =>
              choose(() => {
                desk.invoke('leave-index');
                desk.wish({ type: 'open-document', document: folder.id });
              })}>{MENU_TEXTS.reveal(folder.title)}</DropdownMenu.Item
          >
        {/if}
        <DropdownMenu.Group>
          <DropdownMenu.GroupHeading class={MENU_HEADING}>{MENU_TEXTS.acts}</DropdownMenu.GroupHeading>
          {#each [...menu.own, ...menu.acts] as invocation (invocation.action)}
            <ActItem {invocation} {target} label={label(invocation)} />
          {/each}
        </DropdownMenu.Group>
        <DropdownMenu.Group>
          <DropdownMenu.GroupHeading class={MENU_HEADING}
            >{MENU_TEXTS.place(place.digit)}</DropdownMenu.GroupHeading
          >
          {#each CARRYING as invocation (invocation.action)}
            <ActItem {invocation} target={null} label={label(invocation)} />
          {/each}
        </DropdownMenu.Group>
      </DropdownMenu.Content>
    </DropdownMenu.Portal>
  </DropdownMenu.Root>
{/if}
