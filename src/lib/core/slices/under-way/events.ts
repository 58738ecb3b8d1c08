import type { Settlement } from './state';

/** That a batch was taken and how it ended are events like any other, so that they have their place in the log. */
export type UnderWayEvents = {
  'batch-taken': { batch: string };
  'batch-settled': { batch: string; settlement: Settlement };
};
