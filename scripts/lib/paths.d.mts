export const ROOT: string;
