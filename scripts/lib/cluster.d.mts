interface RunningCluster {
  readonly url: string;
  stop(): Promise<void>;
}
interface ThrowawayCluster extends RunningCluster {
  crash(): Promise<void>;
}
export function throwawayCluster(options?: { durable?: boolean }): Promise<ThrowawayCluster>;
export function openCluster(port: number): Promise<RunningCluster>;
export function freePort(): Promise<number>;
export function ensurePostgres(): Promise<void>;
