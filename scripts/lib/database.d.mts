export function withDatabase<R>(work: (url: string) => Promise<R>): Promise<R>;
export function runningAt(): string | null;
