import type { ArrivalOutcome, ArrivalPoint, MakerRecord, OrderState } from '@aspecta/core/order';

export const ORDER_WORDS: Readonly<Record<OrderState, string>> = {
  wanted: 'Wanted',
  ordered: 'Ordered',
  confirmed: 'Confirmed',
  'back-order': 'Back order',
  arrived: 'Arrived',
  checked: 'Checked',
  kept: 'Kept as sheet',
  fitted: 'Fitted',
  returned: 'Returned',
  withdrawn: 'Withdrawn',
};

/** What is looked at on a part that has arrived, as a question. */
export const ARRIVAL_WORDS: Readonly<Record<ArrivalPoint, string>> = {
  hand: 'Made for this side of the car',
  thickness: 'Thickness of the sheet',
  size: 'Size',
  flanges: 'Flanges',
  holes: 'Holes and captive nuts',
  fit: 'Lies on the car',
  rust: 'Free of rust',
};
export const OUTCOME_WORDS: Readonly<Record<ArrivalOutcome, string>> = {
  fits: 'Use it as it is',
  rework: 'Use it, after work on it',
  keep: 'Keep it as sheet',
  return: 'Send it back',
};

/** What was seen when a part arrived, and what became of it. */
export interface ArrivalCheck {
  /** Only what was looked at. */
  points: Partial<Record<ArrivalPoint, boolean>>;
  /** Sheet as measured, mm. */
  thickness: number | null;
  /** By how much it is too short, mm. */
  short: number;
  outcome: ArrivalOutcome;
  /** Of work on it. */
  hours: number;
}

/** A part is checked; where it does not serve, the same may be wanted from somebody else at once. */
export interface ArrivalInput extends ArrivalCheck {
  on: string;
  note: string;
  /** What comes back for it, minor units; null where nothing is agreed yet. */
  credit: number | null;
  again: { maker: string; price: number; carriage: number } | null;
  version: number;
}

/** Lines of one maker that are ordered together, with one carriage. */
export interface ParcelInput {
  id: string;
  maker: string;
  /** Price each, as it is ordered. */
  lines: { id: string; version: number; price: number }[];
  /** Of the whole parcel before tax, minor units. */
  carriage: number;
  on: string;
  due: string | null;
  note: string;
}

/** When a wanted part is needed and must be ordered. */
export interface OrderNeed {
  line: string;
  /** The step that waits for it, and the day on which it could begin were the part here. */
  step: string;
  neededOn: string;
  /** Days as quoted; null where nobody has said. */
  quoted: number | null;
  /** The last day to order, so that it is there in nine of ten cases; null where nobody has quoted. */
  orderBy: string | null;
  /** Days that it will take: in half, in nine of ten cases. */
  lead: { p50: number; p90: number } | null;
}

/** How all that is wanted would cost least: from whom, in one parcel each. */
export interface BasketView {
  parcels: {
    maker: string;
    lines: { id: string; name: string; vehicle: string; price: number; quantity: number; before: string }[];
    goods: number;
    carriage: number;
    tax: number;
    total: number;
  }[];
  total: number;
  /** All of it as it stands in the book, each line with its own carriage. */
  asItIs: number;
  currency: string;
}

/** What the order book knows beyond its lines. */
export interface OrderAdvice {
  needs: OrderNeed[];
  /** Null where fewer than two lines are wanted. */
  basket: BasketView | null;
  makers: MakerRecord[];
  /** Why there is no day to order by; null where there is one, or nothing is wanted. */
  problem: string | null;
}

/** One move of a line: where it went, on which day, who said so, and what he noted. */
export interface OrderStep {
  state: OrderState;
  on: string;
  by: string;
  note?: string;
  /** Due day that this step replaced; taking the step back brings it back. */
  dueBefore?: string | null;
  /** What the line said before it was ordered in a parcel; taking the step back brings it back. */
  was?: { maker: string; price: number; carriage: number };
  /** Day that was promised with this step. */
  promised?: string;
  /** Only some of so many pieces came; the rest waits on a line of its own. */
  part?: { of: number; rest: string };
}

export interface OrderLine {
  id: string;
  vehicleId: string;
  vehicle: string;
  repairId: string | null;
  panel: string;
  panelName: string;
  maker: string;
  /** Each before tax, minor units. */
  price: number;
  quantity: number;
  carriage: number;
  /** With carriage and tax, minor units. */
  landed: number;
  /** ISO 4217: of the day on which it was ordered, of the house rules as long as it is only wanted. */
  currency: string;
  /** 0.2 = 20 %; from then on as it was then. */
  taxRate: number;
  state: OrderState;
  next: OrderState[];
  /** Day on which it should arrive, YYYY-MM-DD. */
  due: string | null;
  late: boolean;
  note: string;
  /** Why it is not needed any more: the repair that it was for has been decided otherwise; null as long as it is. */
  unneeded: string | null;
  history: OrderStep[];
  /** Lines with the same one are ordered together; their carriage is each one's share. */
  parcel: string | null;
  /** What the carrier says, as long as it is on its way; null where no number is known. */
  tracking: Tracking | null;
  /** What was seen when it arrived; null where nobody has checked it. */
  arrival: ArrivalCheck | null;
  /** What came back for it, minor units. */
  credit: number | null;
  /** Sheet of the panel on the car, mm; null where it is no panel. */
  sheet: number | null;
  version: number;
}

/** What the carrier says of a parcel. */
export interface ShipmentStep {
  at: string;
  text: string;
}
/** A parcel that is followed by its number. */
export interface Tracking {
  number: string;
  steps: ShipmentStep[];
  /** Day on which it is handed over, as far as the carrier knows. */
  expected: string;
  handedOver: boolean;
}
/** Follows a parcel by its number; an empty one: not any more. */
export interface TrackInput {
  number: string;
  version: number;
}

/** A move of a line to its next state. */
export interface OrderMove {
  state: OrderState;
  on: string;
  due: string | null;
  note: string;
  /** Only so many pieces have come; the rest goes on as the line with this id. Null for all of them. */
  part: { pieces: number; rest: string } | null;
  version: number;
}
