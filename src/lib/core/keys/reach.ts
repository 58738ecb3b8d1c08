/** Whether a combination reaches a page at all: what was measured in browsers, and what desktops usually take. */
import type { UsableHoldKey } from '../slices/settings/state';
import { chordText, type Chord, type ChordModifier } from './chord';
import measured from './key-reach.json';

/** Where a page is looked at; the order is that of the measured data. */
export const SITES = ['chromium-tab', 'chromium-window', 'firefox-tab'] as const;
/** One of these. */
export type Site = (typeof SITES)[number];

const ARRIVES: Readonly<Record<string, Readonly<Record<string, string>>>> = measured.arrives;

/** Whether a combination was seen to reach a page there; null if it was not measured. */
export function arrives(chord: Chord, holdKey: UsableHoldKey, site: Site): boolean | null {
  const found = ARRIVES[columnOf(chord, holdKey)]?.[chord.code];
  return found === undefined ? null : found[SITES.indexOf(site)] === 'y';
}

const NAMES = { Control: 'ctrl', Alt: 'alt', Meta: 'super' } as const;

/** The modifiers as the measured data calls them. */
function columnOf(chord: Chord, holdKey: UsableHoldKey): string {
  const { modifiers, shift } = pressedAs(chord, holdKey);
  return [...modifiers.map((modifier) => NAMES[modifier]), ...(shift ? ['shift'] : [])].join('+');
}

/** A combination with the hold key that there is as what it is to everybody else. */
export const pressedAs = (chord: Chord, holdKey: UsableHoldKey): Chord =>
  chord.hold ? { ...chord, hold: false, modifiers: [holdKey] } : chord;

const chord = (code: string, modifiers: readonly ChordModifier[], shift = false): Chord => ({
  code,
  shift,
  hold: false,
  modifiers,
});

/** What desktops usually take before any browser sees it (common practice; which of them one's own takes, it knows). */
const TAKEN: Readonly<Record<string, string>> = Object.fromEntries(
  (
    [
      [chord('Tab', ['Alt']), 'goes to another window'],
      [chord('Tab', ['Alt'], true), 'goes to another window'],
      [chord('Escape', ['Alt']), 'goes to another window'],
      [chord('Backquote', ['Alt']), 'goes to another window of the program, on some desktops'],
      [chord('F4', ['Alt']), 'closes the window'],
      [chord('Space', ['Alt']), 'opens the menu of the window, on some desktops'],
      [chord('F1', ['Alt']), 'opens the menu of programs, on some desktops'],
      [chord('F2', ['Alt']), 'asks for a command, on some desktops'],
      [chord('F10', ['Alt']), 'makes the window as large as the screen, on some desktops'],
      [chord('Delete', ['Control', 'Alt']), 'asks whether to leave'],
      [chord('ArrowLeft', ['Control', 'Alt']), 'goes to another workspace'],
      [chord('ArrowRight', ['Control', 'Alt']), 'goes to another workspace'],
      [chord('ArrowUp', ['Control', 'Alt']), 'goes to another workspace'],
      [chord('ArrowDown', ['Control', 'Alt']), 'goes to another workspace'],
      [chord('Escape', ['Control']), 'opens the menu of programs, on some desktops'],
    ] as const
  ).map(([one, what]) => [chordText(one), what]),
);

/** What a desktop usually does with a combination; null if most do nothing. */
export function takenByDesktop(given: Chord, holdKey: UsableHoldKey): string | null {
  const pressed = pressedAs(given, holdKey);
  const meta = pressed.modifiers.includes('Meta')
    ? 'keeps most combinations with the Meta key to itself'
    : null;
  return TAKEN[chordText(pressed)] ?? meta;
}
