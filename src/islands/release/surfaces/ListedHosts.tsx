import { useEffect, useState } from 'react';
import { call } from '../../../client/http.ts';
import { AddWord } from '../../../ui/AddWord.tsx';
import { Alert } from '../../../ui/Alert.tsx';
import { Remove } from '../../../ui/Remove.tsx';
import { useAsking } from '../../page/use-asking.ts';

/** A host as addresses name it: “shop.example.com”, with a port where it is not the usual one; null for what is none. */
function hostOf(text: string): string | null {
  const typed = text.trim();
  try {
    const { host } = new URL(/^https?:\/\//.test(typed) ? typed : `https://${typed}`);
    return /^[a-z0-9]([a-z0-9.-]*[a-z0-9])?(:\d{1,5})?$/.test(host) ? host : null;
  } catch {
    return null;
  }
}

/** Hosts that surfaces may be fetched from: no page leads Summant anywhere else. */
export function ListedHosts() {
  const [hosts, setHosts] = useState<readonly string[] | null>(null);
  const { busy, problem, ask } = useAsking();
  useEffect(() => {
    void call('GET /api/listed-hosts', {}).then((answer) => {
      if (answer.ok) setHosts(answer.body.hosts);
    });
  }, []);
  const change = async (next: readonly string[]) => {
    const answer = await ask(() => call('PUT /api/listed-hosts', { body: { hosts: [...next] } }));
    if (answer) setHosts(answer.hosts);
  };
  if (!hosts) return <p className="text-soft">Being fetched.</p>;
  return (
    <div data-testid="listed-hosts" aria-busy={busy}>
      <p className="text-small text-soft">
        Pages are fetched from these and from no other host. One that leads into an inner network is refused, and what
        robots.txt asks is kept to.
      </p>
      {hosts.map((host) => (
        <span key={host} className="mr-3">
          {host}
          <Remove what={`host ${host}`} remove={() => void change(hosts.filter((other) => other !== host))} />
        </span>
      ))}
      <AddWord
        label="Host that pages are fetched from"
        placeholder="shop.example.com"
        accept={(text) => {
          const host = hostOf(text);
          return host !== null && !hosts.includes(host) ? host : null;
        }}
        reason="A host such as shop.example.com that is not there yet."
        add={(host) => void change([...hosts, host])}
      />
      {problem && <Alert>{`${problem.title}. ${problem.detail}`}</Alert>}
    </div>
  );
}
