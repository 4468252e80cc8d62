export interface PrivateDatabase {
  url: string;
  pid: number;
  stop: () => Promise<void>;
}
export function startPrivateDatabase(folder: string): Promise<PrivateDatabase>;
export function freePort(wanted?: number): Promise<number>;
export function isAlive(pid: number): boolean;

/** The option that names the account of a server that keeps its data there. */
export function asUser(folder: string): string[];
/** Hands a folder over to that account. */
export function giveTo(folder: string): void;
