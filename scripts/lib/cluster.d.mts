interface RunningCluster {
  readonly url: string;
  stop(): Promise<void>;
}
export function throwawayCluster(): Promise<RunningCluster>;
export function openCluster(port: number): Promise<RunningCluster>;
export function freePort(): Promise<number>;
export function ensurePostgres(): Promise<void>;
