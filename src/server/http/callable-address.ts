/** Whether Summant calls others there: over TLS, or on this machine; an address holds no password. */
export function isCallable(address: string): boolean {
  try {
    const { protocol, hostname, username, password } = new URL(address);
    if (username !== '' || password !== '') return false;
    if (protocol === 'https:') return true;
    return protocol === 'http:' && ['localhost', '127.0.0.1', '[::1]'].includes(hostname);
  } catch {
    return false;
  }
}
