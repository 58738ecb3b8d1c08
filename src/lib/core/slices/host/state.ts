/**
 * What has the windows of this session. The simulated one does at once what is wished. A live one drives something outside:
 * it is sent orders, tells of its own accord what happens, and can do what its `abilities` say, which are types of
 * wishes.
 */
export type HostInfo =
  | { readonly kind: 'simulated' }
  | { readonly kind: 'live'; readonly name: string; readonly abilities: readonly string[] };

/** The fields of this slice. */
export interface HostState {
  readonly host: HostInfo;
}
