/** The id under which the demo session is stored. */
export const DEMO_ID = 'ellavane';
