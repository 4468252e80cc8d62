export function findProgram(name: string): string | null;
export function programFromDebian(program: string, packages: string[]): string;
