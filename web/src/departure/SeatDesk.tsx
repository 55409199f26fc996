import { Button, Modal } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answered, api, type Role, type Schemas, type Seat } from '../api/client';
import { useDeparture } from '../live/departureContext';
import { Notices } from './Notices';
import { ReasonForm } from '../ui/ReasonForm';
import styles from './SeatDesk.module.css';

const SEATS: Seat[] = ['LEFT', 'RIGHT'];
const ROLES: Role[] = ['FLYING', 'MONITORING'];
const ROLE_WORDS = { FLYING: 'flying', MONITORING: 'monitoring' } as const;

/** Taking, leaving, handing over and taking over a seat; it comes before the work. */
export function SeatDesk({ close }: { close: () => void }) {
  const { live, state, mine, page, other } = useDeparture();
  const [takeOver, setTakeOver] = useState<{ seat: Seat; role: Role } | null>(null);
  const [handing, setHanding] = useState(false);
  const [givingUp, setGivingUp] = useState(false);
  const seatedAt = (seat: Seat) => state.view.seats.find((held) => held.seat === seat);
  const take = (seat: Seat, role: Role) =>
    void live.ask({ ask: 'TAKE_SEAT', seat, role }).then((accepted) => {
      if (accepted) close();
    });
  return (
    <section aria-labelledby="seats-title">
      <h1 id="seats-title" className={styles.title}>
        {mine ? 'Seats and roles' : 'Take a seat'}
      </h1>
      <Notices />
      {page.modifications.length > 0 && (
        <p className={styles.modified}>
          <b>{page.tail} differs:</b> {page.modifications.join(' ')}
        </p>
      )}
      <div className={styles.seats}>
        {SEATS.map((seat) => {
          const held = seatedAt(seat);
          const own = mine?.seat === seat;
          return (
            <div key={seat} className={styles.seat} data-own={own || undefined}>
              <h2>{seat === 'LEFT' ? 'Left seat' : 'Right seat'}</h2>
              <p className={styles.holder}>{held ? `${held.person.name}, ${ROLE_WORDS[held.role]}` : 'Free'}</p>
              <div className={styles.buttons}>
                {!held &&
                  !mine &&
                  ROLES.filter((role) => other?.role !== role || other === null).map((role, index) => (
                    <Button key={role} variant={index === 0 ? 'filled' : 'default'} onClick={() => take(seat, role)}>
                      Take it, {ROLE_WORDS[role]}
                    </Button>
                  ))}
                {held && !mine && (
                  <Button onClick={() => setTakeOver({ seat, role: held.role })}>Take over with a reason</Button>
                )}
                {own && <Button onClick={() => setHanding(true)}>Hand over</Button>}
                {own && <Button onClick={() => void live.ask({ ask: 'RELEASE_SEAT', seat })}>Leave the seat</Button>}
              </div>
            </div>
          );
        })}
      </div>
      {mine && (
        <div className={styles.buttons}>
          <Button variant="filled" onClick={close}>
            Back to work
          </Button>
          <Button onClick={() => void live.ask({ ask: 'SWAP_ROLES' })}>Swap flying and monitoring</Button>
          <Button onClick={() => setGivingUp(true)}>Give the departure up</Button>
        </div>
      )}
      <p className={styles.foot}>
        A seat belongs to a person, on any number of devices. Skelda is an aid; the approved manuals and the licensed
        crew have the last word.
      </p>
      <Modal opened={takeOver !== null} onClose={() => setTakeOver(null)} title="Take over the seat">
        <ReasonForm
          presets={['Crew change', 'Colleague’s device failed']}
          label="Why you take it over"
          submitLabel="Take over"
          submit={(reason) => {
            if (takeOver) void live.ask({ ask: 'TAKE_SEAT', ...takeOver, reason });
            setTakeOver(null);
            close();
          }}
        />
      </Modal>
      <Modal opened={givingUp} onClose={() => setGivingUp(false)} title="Give the departure up">
        <ReasonForm
          presets={['Aircraft change', 'Flight cancelled']}
          label="Why it is given up; the record is closed as it stands"
          submitLabel="Give it up"
          submit={(reason) => {
            setGivingUp(false);
            void live.ask({ ask: 'ABANDON', reason });
          }}
        />
      </Modal>
      <Modal opened={handing} onClose={() => setHanding(false)} title="Hand over the seat">
        {mine && (
          <HandOver
            seat={mine.seat}
            done={() => {
              setHanding(false);
              close();
            }}
          />
        )}
      </Modal>
    </section>
  );
}

function HandOver({ seat, done }: { seat: Seat; done: () => void }) {
  const { live, person, other } = useDeparture();
  const crew = useQuery({ queryKey: ['crew'], queryFn: () => answered<Schemas['CrewMember'][]>(api.GET('/api/crew')) });
  const free = crew.data?.filter((member) => member.id !== person.id && member.id !== other?.person.id) ?? [];
  return (
    <div className={styles.crew}>
      {free.map((member) => (
        <Button
          key={member.id}
          justify="space-between"
          rightSection={<span className="small">{member.duty}</span>}
          onClick={() => void live.ask({ ask: 'HAND_OVER_SEAT', seat, to: member.id }).then(done)}
        >
          {member.name}
        </Button>
      ))}
    </div>
  );
}
