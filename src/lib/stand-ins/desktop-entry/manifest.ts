import { guestProblem } from '../../core/guests/guest';
import type { Manifest } from '../manifest';

/** A program of the machine, by its desktop entry. */
export const desktopEntry: Manifest = {
  kind: 'desktop-entry',
  name: 'Desktop entry',
  problem: (text) => guestProblem('desktop-entry', text),
  actions: [],
};
