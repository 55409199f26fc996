import { useDeparture } from '../live/departureContext';
import { ApuNotes } from './ApuNotes';
import { useApuPage } from './useApuPage';

/** What the record tells of the APU's last run; nothing when it was never told of. */
export function ApuOfRecord() {
  const { page, state } = useDeparture();
  const apu = state.view.apu;
  const sheet = useApuPage(page.id, apu !== undefined);
  if (!apu || apu.burnt_kg === 0) return null;
  return (
    <>
      <h2>APU</h2>
      <ApuNotes apu={apu} sheet={sheet.data?.sheet ?? null} />
    </>
  );
}
