export interface PrivateDatabase {
  url: string;
  pid: number;
  stop: () => Promise<void>;
}
export function startPrivateDatabase(folder: string): Promise<PrivateDatabase>;
export function freePort(wanted?: number): Promise<number>;
export function isAlive(pid: number): boolean;
