/** Large session documents for measuring. */
import { FORMAT, VERSION, type SessionDocument } from '../src/lib/core/formats/session-document';
import { ellavane } from '../src/lib/demo/ellavane';

const START = '2026-11-24T06:12:00.000Z';
const SURFACE = { width: 1280, height: 770 };
const MOST_APPLICATIONS = 25;

/** A session with `count` windows in up to 25 applications, showing the demo's documents, spread over the surface. */
export function documentWith(count: number): SessionDocument {
  const demo = ellavane(new Date(START));
  const applications = Array.from({ length: Math.min(count, MOST_APPLICATIONS) }, (_, index) => {
    const models = demo.applications.filter(({ running }) => running);
    const model = models[index % models.length];
    if (!model) throw new Error('The demo has no applications.');
    return { ...model, id: `a-${index}`, name: `${model.name} ${index}`, hidden: false, answering: true };
  });
  // Pages would be fetched, which is not what is measured.
  const shown = demo.documents.filter(({ kind }) => kind !== 'page');
  const windows = Array.from({ length: count }, (_, index) => {
    const document = shown[index % shown.length];
    if (!document) throw new Error('The demo has no documents.');
    return {
      id: `w-${index}`,
      application: `a-${index % applications.length}`,
      // Steps that share no factor with the surface spread the windows evenly.
      geometry: {
        x: (index * 397) % (SURFACE.width - 300),
        y: (index * 211) % (SURFACE.height - 200),
        width: 420,
        height: 280,
      },
      minimised: false,
      workspace: 'watch',
      tabs: [{ id: `t-${index}`, title: `${document.title} ${index}`, document: document.id }],
      activeTab: `t-${index}`,
      seen: true,
      asking: null,
      offeringDraft: false,
    };
  });
  const order = windows.map(({ id }) => id);
  return {
    ...demo,
    format: FORMAT,
    version: VERSION,
    title: `${count} windows`,
    applications,
    documents: demo.documents.map((document, index) => ({
      ...document,
      application: `a-${index % applications.length}`,
    })),
    drafts: [],
    windows,
    recent: {
      applications: applications.map(({ id }) => ({ id, at: START })),
      windows: order.map((id) => ({ id, at: START })),
    },
    stacking: order.toReversed(),
    front: 'w-0',
    places: Array.from({ length: 10 }, (_, at) => applications[at]?.id ?? null),
  };
}
