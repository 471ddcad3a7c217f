import type { GarageVehicle } from '@aspecta/contract/garage';
import type { OrderLine } from '@aspecta/contract/order';
import { OPTION_WORDS, type RepairView } from '@aspecta/contract/verdict';
import { panelOf, type BodyPlan } from '@aspecta/core/body';
import { isLetIn, keepsPanel } from '@aspecta/core/verdict';
import type { BookPage } from '../book/page.ts';
import { stations } from '../stations.ts';
import type { Place } from './rank.ts';

/** The car that is open, as far as it is known. */
export interface OpenCar {
  id: string;
  nickname: string;
  plan: BodyPlan;
  repairs: readonly RepairView[];
}

/** Words by which people look for a station beside its own. */
const ALSO: Readonly<Record<string, string>> = {
  board: 'body map overview condition panels',
  walk: 'finds look round inspection',
  photo: 'pictures camera before after',
  survey: 'thickness gauge readings rust pits filler zones',
  hold: 'square tapes braces gaps shims sag diagonals jig',
  verdict: 'decide patch or panel options cost',
  whole: 'everything total money original',
  order: 'parts suppliers parcel delivery price',
  cut: 'line tape offsets corners template pattern',
  joints: 'spots drill map flange hem plug rivet',
  pattern: 'template blank flat flange bend hem tabs dxf cut out make',
  stock: 'rack stock leftover nest nesting steel metal yield offcut shelf wire gas disc primer consumables',
  way: 'access opening passage split take off remove',
  fit: 'trial gap trim hang align',
  weld: 'tacks stitches heat warm temperature replay copper amps sequence bench settings',
  dress: 'straight edge filler low proud hammer dolly planish',
  close: 'coats primer wax cavity seal paint dew point',
  job: 'steps what next list order of work',
  plan: 'tonight calendar evenings weeks weather who works money cash pay day budget afford',
  record: 'report history timeline share hours costs tester',
  house: 'settings rules rates units currency people limits schools tools spot welder bender rotisserie',
  learnt: 'pace spread estimate learned',
  garage: 'cars tonight',
  weeks: 'all cars calendar evenings by person by car bars who works week plan print wall',
  practice: 'exercise train learn try game made-up score',
  book: 'calculations formulas',
};

/** Everything that can be gone to from here: the car that is open first, then the house. */
export function placesFor({
  car,
  cars,
  orders,
  book,
  customer = false,
}: {
  car: OpenCar | null;
  cars: readonly GarageVehicle[];
  orders: readonly OrderLine[];
  book: readonly BookPage[];
  /** He is shown his car, and no station that would refuse him. */
  customer?: boolean;
}): Place[] {
  const shown = stations.filter(({ inside }) => !(customer && inside));
  const words = (name: string, question: string) => `${question} ${ALSO[name] ?? ''}`;
  const inCar = car
    ? [
        ...shown
          .filter(({ scope, path }) => scope === 'car' && !path.replace(':id', '').includes(':'))
          .map(({ name, title, question, path }) => ({
            title: `${title}`,
            kind: car.nickname,
            to: path.replace(':id', car.id),
            words: words(name, question),
          })),
        ...car.plan.panels.map(({ id, name }) => ({
          title: name,
          kind: `Survey, ${car.nickname}`,
          to: `/vehicles/${car.id}/panels/${id}`,
          words: 'panel readings zones',
        })),
        ...car.repairs.flatMap((repair) => ofRepair(car, repair, words)),
      ]
    : [];
  return [
    ...inCar,
    ...cars.map(({ id, nickname, year }) => ({
      title: nickname,
      kind: 'Car',
      to: `/vehicles/${id}`,
      words: `${year} vehicle board`,
    })),
    ...shown
      .filter(({ scope, open, path }) => scope === 'shop' && !open && !path.includes(':'))
      .map(({ name, title, question, path }) => ({ title, kind: 'House', to: path, words: words(name, question) })),
    ...orders.map(({ panelName, vehicle, maker, vehicleId }) => ({
      title: panelName,
      kind: `Order book, ${vehicle}`,
      to: `/orders?show=all&car=${vehicleId}`,
      words: `${maker} part order`,
    })),
    ...book.map(({ key, title, wants, words: also }) => ({
      title,
      kind: 'Bench book',
      to: `/book/${key}`,
      words: `${wants} ${also}`,
    })),
  ];
}

/** A panel that is kept has nothing to join; a whole one no line to cut. */
const opens = (station: string, choice: RepairView['choice']) =>
  !keepsPanel(choice) && (station !== 'cut' || isLetIn(choice));

function ofRepair(
  { id, nickname, plan }: OpenCar,
  { id: repair, panel, choice }: RepairView,
  words: (name: string, question: string) => string,
): Place[] {
  const name = plan.panels.some((one) => one.id === panel) ? panelOf(plan, panel).name : panel;
  const of = `${OPTION_WORDS[choice].name.toLowerCase()} repair`;
  return stations
    .filter(({ name, scope, onLine }) => scope === 'repair' && onLine && opens(name, choice))
    .map(({ name: station, title, question, path }) => ({
      title: `${title}: ${name}`,
      kind: nickname,
      to: path.replace(':id', id).replace(':repair', repair),
      words: `${of} ${words(station, question)}`,
    }));
}
