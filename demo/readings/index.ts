import boot from './boot-floor.csv';
import door from './door-skin-l.csv';
import floor from './floor-front-l.csv';
import quarter from './quarter-l.csv';
import roof from './roof.csv';
import sillLeft from './sill-l.csv';
import sillRight from './sill-r.csv';
import wing from './wing-l.csv';

/** Readings of the demo by panel, as CSV. */
export default { quarter, sillLeft, sillRight, floor, wing, door, roof, boot };
