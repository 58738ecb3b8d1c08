/** Which rows of a table are shown, and in which order: what its headers and its filter ask for. */
import {
  columnFilteringFeature,
  constructTable,
  createColumnHelper,
  createFilteredRowModel,
  createSortedRowModel,
  globalFilteringFeature,
  rowSortingFeature,
  tableFeatures,
} from '@tanstack/table-core';
import { storeReactivityBindings } from '@tanstack/table-core/store-reactivity-bindings';
import { fold } from '../../core/search/letters';
import { isMissing } from './figure';
import type { Rows } from './rows';

/** By which column, and which way round; null as they were written. */
export type Sorting = { readonly column: number; readonly down: boolean } | null;

type Row = Rows['body'][number];

/** Figures by their value, however many digits they have; everything else as its language sorts it. */
const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

const features = tableFeatures({
  coreReactivityFeature: storeReactivityBindings(),
  columnFilteringFeature,
  globalFilteringFeature,
  rowSortingFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
});
const helper = createColumnHelper<typeof features, Row>();

/** What is missing comes last, whichever way the others are sorted. */
function cellIn(row: Row, column: number): string | undefined {
  const cell = row[column] ?? '';
  return isMissing(cell) ? undefined : cell;
}

/** The rows, by their number in the text, that have every word of the filter, in the order asked for. */
export function arranged({ head, body }: Rows, sorting: Sorting, filter: string): number[] {
  const words = fold(filter).split(/\s+/u).filter(Boolean);
  const table = constructTable({
    features,
    data: body,
    columns: head.map((_, column) =>
      helper.accessor((row): unknown => cellIn(row, column), {
        id: String(column),
        sortUndefined: 'last',
        sortFn: (a, b, id) => collator.compare(a.getValue<string>(id), b.getValue<string>(id)),
      }),
    ),
    // A row is sought as a whole, so one column asks for all of it.
    getColumnCanGlobalFilter: ({ id }) => id === '0',
    globalFilterFn: ({ original }) => {
      const text = fold(original.join(' '));
      return words.every((word) => text.includes(word));
    },
    initialState: {
      sorting: sorting ? [{ id: String(sorting.column), desc: sorting.down }] : [],
      globalFilter: words.length > 0 ? filter : undefined,
    },
  });
  return table.getRowModel().rows.map(({ index }) => index);
}

/** What one more press on a header asks for: up, down, and as they were written. */
export function sortedBy(sorting: Sorting, column: number): Sorting {
  if (sorting?.column !== column) return { column, down: false };
  return sorting.down ? null : { column, down: true };
}
