import { guestProblem } from '../../core/guests/guest';
import type { Manifest } from '../manifest';

/** A web page as an application; its text is a W3C web app manifest. */
export const page: Manifest = {
  kind: 'page',
  name: 'Page',
  problem: (text) => guestProblem('page', text),
  actions: [],
};
