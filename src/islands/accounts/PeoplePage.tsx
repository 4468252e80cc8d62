import { useState } from 'react';
import { call } from '../../client/http.ts';
import type { Choices } from '../../contract/shapes/choices.ts';
import type { MadeLink, People } from '../../contract/shapes/account.ts';
import type { PageProps } from '../../contract/page.ts';
import { canBeLimited, type MarketLimit } from '../../core/people/market-limit.ts';
import type { Role } from '../../core/people/roles.ts';
import { Alert } from '../../ui/Alert.tsx';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { Frame } from '../frame/Frame.tsx';
import { part } from '../page/parts.ts';
import { useAsking } from '../page/use-asking.ts';
import { useMoments } from '../page/use-moments.ts';
import { LinkTold } from './LinkTold.tsx';
import { longestName } from './limits.ts';
import { MarketsPhrase } from './MarketsPhrase.tsx';
import { PersonRow } from './PersonRow.tsx';
import { StandInProvider } from './StandInProvider.tsx';
import { StoreChoices } from './StoreChoices.tsx';
import { roleOptions } from './role-options.ts';

interface PeopleProps extends PageProps {
  people: People;
  choices: Choices;
  /** where people find Summant */
  address: string;
  /** whether people sign in by the provider that ships with Summant, too */
  standInProvider: boolean;
}

/** Who has an account and may what, who is invited, and the row that invites. */
export default function PeoplePage({ props }: { props: PeopleProps }) {
  return (
    <Frame stop="people" props={props}>
      <div className="px-5 py-3">
        <h1 className="text-head">People</h1>
        <section ref={part('people')} aria-label="People">
          {props.person.account !== null ? (
            <>
              <Team initial={props.people} address={props.address} />
              <StoreChoices initial={props.choices} />
              {props.standInProvider && <StandInProvider />}
            </>
          ) : (
            <p className="max-w-[44rem] py-1 text-lead">
              Nobody signs in here: whoever sits at this machine may everything. For a team, open the link that Summant
              prints when it starts: it makes the first account, which owns the store. From then on people are invited
              here.
            </p>
          )}
        </section>
      </div>
    </Frame>
  );
}

interface Told extends MadeLink {
  what: string;
}

function Team({ initial, address }: { initial: People; address: string }) {
  const [{ people, invitations }, setPeople] = useState(initial);
  const [told, setTold] = useState<Told | null>(null);
  const { busy, problem, ask } = useAsking();
  const write = useMoments();
  const take = (next: People | null): void => {
    if (next) setPeople(next);
  };
  return (
    <>
      <div className="overflow-x-auto">
        <table className="table table-xs" aria-label="People" data-testid="people">
          <thead>
            <tr>
              <th scope="col">Name</th>
              <th scope="col">May</th>
              <th scope="col">Since</th>
              <th scope="col">Here last</th>
              <th scope="col">
                <span className="sr-only">What can be done</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {people.map((one) => (
              <PersonRow
                key={one.id}
                person={one}
                busy={busy}
                change={async (body) =>
                  take(await ask(() => call('PUT /api/people/{id}', { params: { id: one.id }, body })))
                }
                wayBack={async () => {
                  const made = await ask(() => call('POST /api/people/{id}/way-back', { params: { id: one.id } }));
                  if (made) setTold({ ...made, what: `The link with which ${one.name} sets a new password` });
                }}
                remove={async () => take(await ask(() => call('DELETE /api/people/{id}', { params: { id: one.id } })))}
              />
            ))}
            {invitations.map(({ id, name, role, markets, madeBy, endsAt }) => (
              <tr key={id} data-testid={`invitation-${id}`}>
                <td>{name}</td>
                <td>
                  {roleOptions.find(([one]) => one === role)![1]}
                  {markets !== null && ', in some markets'}
                </td>
                <td className="text-soft">{`invited by ${madeBy}`}</td>
                <td className="text-soft">{`until ${write(endsAt)}`}</td>
                <td className="text-right">
                  <button
                    type="button"
                    className="btn btn-xs"
                    disabled={busy}
                    onClick={() =>
                      void ask(() => call('DELETE /api/people/invitations/{id}', { params: { id } })).then(take)
                    }
                  >
                    Take back
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Invite
        busy={busy}
        invite={async (name, allowed) => {
          const made = await ask(() => call('POST /api/people/invitations', { body: { name, ...allowed } }));
          if (!made) return false;
          setTold({ ...made, what: `The link with which ${name} makes an account` });
          take(await ask(() => call('GET /api/people')));
          return true;
        }}
      />
      {problem && <Alert className="mt-1">{`${problem.title}. ${problem.detail}`}</Alert>}
      {told && (
        <LinkTold what={told.what} address={address + told.path} until={told.endsAt} close={() => setTold(null)} />
      )}
    </>
  );
}

interface Allowed {
  role: Role;
  markets: MarketLimit;
}

/** Invites somebody, in a sentence. */
function Invite({ busy, invite }: { busy: boolean; invite: (name: string, allowed: Allowed) => Promise<boolean> }) {
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>('edit');
  const [limit, setLimit] = useState<MarketLimit>(null);
  return (
    <form
      className="flex flex-wrap items-baseline gap-x-2 gap-y-1 py-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() !== '')
          void invite(name.trim(), { role, markets: canBeLimited(role) ? limit : null }).then(
            (made) => made && setName(''),
          );
      }}
      data-testid="invite"
    >
      <label className="inline-flex items-baseline gap-x-2">
        Invite
        <input
          className="field"
          placeholder="whom"
          maxLength={longestName}
          value={name}
          onChange={(event) => setName(event.target.value)}
          data-testid="invited-name"
        />
      </label>
      <span>
        who may{' '}
        <PhraseSelect
          label="What the invited may"
          value={role}
          options={roleOptions}
          choose={(chosen) => setRole(chosen as Role)}
          testId="invited-role"
        />{' '}
        {canBeLimited(role) && (
          <MarketsPhrase
            label="Markets of the invited"
            limit={limit}
            busy={busy}
            choose={setLimit}
            testId="invited-markets"
          />
        )}
      </span>
      <button
        type="submit"
        className="btn btn-primary btn-xs"
        disabled={busy || name.trim() === ''}
        data-testid="make-invitation"
      >
        Make a link
      </button>
    </form>
  );
}
