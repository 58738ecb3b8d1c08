/** What the harbour office of Ellavane works on. Everything and everyone here is invented. */
import type { AppDocument } from '../core/slices/documents/state';

const document = (
  id: string,
  application: string,
  title: string,
  kind: string,
  text: string,
): AppDocument => ({ id, title, application, kind, text: text.trim() });

/** Harmonic constants: amplitude in metres, phase in degrees; `Z0` is the mean height above chart datum. */
const constants = (z0: number, m2: number, lag: number) => `
constituent,amplitude,phase
Z0,${z0},0
M2,${m2},${lag}
S2,${(m2 * 0.34).toFixed(2)},${lag + 42}
N2,${(m2 * 0.19).toFixed(2)},${lag - 21}
K1,0.11,${lag + 9}
O1,0.08,${lag + 150}`;

const berth = (rows: string) => `Berth,Ship,Length,Draught,Until\n${rows.trim()}`;
const radio = (rows: string) => `Time,From,Message\n${rows.trim()}`;
const log = (rows: string) => `Time,Movement,Pilot,Draught\n${rows.trim()}`;

/** What the harbour office of Ellavane has written down. */
export const DOCUMENTS: readonly AppDocument[] = [
  document('lock-sill', 'tides', 'Lock Sill', 'tide-constants', constants(3.1, 1.72, 160)),
  document('north-gauge', 'tides', 'North Gauge', 'tide-constants', constants(2.8, 1.55, 152)),
  document('outer-buoy', 'tides', 'Outer Buoy', 'tide-constants', constants(2.6, 1.38, 139)),
  document(
    'timber-quay',
    'berths',
    'Timber Quay',
    'table',
    berth(`
T1,Sable Wren,88 m,4.2 m,Wed 05:30
T2,Lanternfish,61 m,3.6 m,Tue 18:00
T3,free,—,—,—
T4,Marigold Tern,104 m,5.1 m,Thu 11:15
T5,Grey Heron II,47 m,2.9 m,Tue 21:40`),
  ),
  document(
    'north-quay',
    'berths',
    'North Quay',
    'table',
    berth(`
N1,Quillfeather,132 m,7.8 m,Wed 02:10
N2,free,—,—,—
N3,Bell of Orra,96 m,5.4 m,Fri 06:00
N4,Tarn Runner,72 m,4.0 m,Tue 16:25`),
  ),
  document(
    'oil-jetty',
    'berths',
    'Oil Jetty',
    'table',
    berth(`
J1,Osprey Nine,141 m,6.4 m,Wed 13:50
J2,closed for repair,—,—,Mon 08:00`),
  ),
  document(
    'log-today',
    'pilot-log',
    'Today',
    'table',
    log(`
06:10,Sable Wren inward — pilot aboard,M. Farrow,4.2 m
07:45,Quillfeather berthed — two tugs,I. Quant,7.8 m
08:20,Marigold Tern waiting on the tide,—,5.1 m
09:05,Osprey Nine shifting to Oil Jetty,T. Ashlock,6.4 m
10:10,Lanternfish outward — pilot away,M. Farrow,3.6 m
11:45,Bell of Orra inward — pilot aboard,I. Quant,5.4 m
12:20,Tarn Runner at anchor,—,4.0 m
13:05,Grey Heron II berthed,T. Ashlock,2.9 m
14:10,Marigold Tern inward — pilot aboard,M. Farrow,5.1 m`),
  ),
  document(
    'log-yesterday',
    'pilot-log',
    'Yesterday',
    'table',
    log(`
05:55,Tarn Runner inward — pilot aboard,I. Quant,4.0 m
08:40,Petrel of Vane outward,T. Ashlock,5.9 m
11:15,Osprey Nine inward — three tugs,M. Farrow,6.4 m
16:30,Lanternfish berthed,I. Quant,3.6 m
19:20,Grey Heron II shifting to T5,T. Ashlock,2.9 m`),
  ),
  document(
    'letter-towage',
    'letters',
    'To Sable Wren — towage',
    'letter',
    `
To the Master of Sable Wren

Dear Master,

two tugs are booked for your shift to Timber Quay on the morning tide. Please confirm your draught fore and aft before 05:30.

The harbour office of Ellavane`,
  ),
  document(
    'letter-notice-14',
    'letters',
    'Notice 14 draft',
    'letter',
    `
NOTICE 14

The leading light on the north mole is out of order. Vessels keep to the east side of the channel until further notice.`,
  ),
  document(
    'letter-dues',
    'letters',
    'Reply about harbour dues',
    'letter',
    `
To the owners of Marigold Tern

The dues for week 47 were reckoned on the summer rate by mistake. The corrected account is enclosed.`,
  ),
  document(
    'letter-orra',
    'letters',
    'To Bell of Orra — water',
    'letter',
    `
To the Master of Bell of Orra

Fresh water is delivered at berth N3 between 07:00 and 08:30. Forty tonnes are set aside for you.`,
  ),
  document(
    'wind',
    'weather',
    'Wind',
    'wind',
    `
Time,From,Mean,Gusts,Sea
06:00,SW,14 kn,19 kn,slight
09:00,SW,17 kn,24 kn,moderate
12:00,WSW,21 kn,29 kn,moderate
15:00,W,24 kn,33 kn,rough
18:00,W,19 kn,27 kn,moderate
21:00,NW,13 kn,18 kn,slight`,
  ),
  document(
    'evening-bulletin',
    'weather',
    'Evening bulletin',
    'prose',
    `
A low west of Vane Head moves north-east and fills. Wind west 5 to 6, veering north-west 4 after midnight. Visibility good, but poor in showers.

Outlook for Wednesday: light north-westerly, slight sea, a fair morning tide.`,
  ),
  document(
    'channel-12',
    'radio',
    'Channel 12',
    'radio-log',
    radio(`
09:02,Osprey Nine,leaving anchorage for Oil Jetty
09:04,Ellavane Port,Osprey Nine — cleared; tug Anvil joins at buoy 6
09:31,Tug Anvil,made fast aft
10:08,Lanternfish,pilot away; outward bound
11:40,Bell of Orra,at buoy 2; pilot ladder port side`),
  ),
  document(
    'channel-16',
    'radio',
    'Channel 16',
    'radio-log',
    radio(`
07:12,Tarn Runner,radio check
07:13,Ellavane Port,Tarn Runner — loud and clear
12:18,Tarn Runner,at anchor south of buoy 4`),
  ),
  document(
    'week-48',
    'roster',
    'Week 48',
    'table',
    `
Watch,Mon,Tue,Wed,Thu,Fri
Early,Farrow,Quant,Farrow,Ashlock,Quant
Late,Ashlock,Farrow,Quant,Farrow,Ashlock
Night,Quant,Ashlock,Ashlock,Quant,Farrow`,
  ),
  document(
    'byelaws-towing',
    'byelaws',
    'Towing guide',
    'prose',
    `
§ 12 Ships of more than 90 m take one tug, ships of more than 120 m two.

§ 13 With wind above 25 knots from the western half the harbour master may order one more.

§ 14 A tug is made fast before the ship passes buoy 6.`,
  ),
  document(
    'byelaws-lights',
    'byelaws',
    'Lights and marks',
    'prose',
    `
§ 21 The leading lights are kept from sunset to sunrise and in poor visibility.

§ 22 Whoever finds a mark out of place reports it on channel 12 at once.`,
  ),
  document(
    'byelaws-dues',
    'byelaws',
    'Harbour dues',
    'prose',
    `
§ 31 Dues are reckoned by length overall and by the day begun.

§ 32 The winter rate holds from 1 November to the end of March.`,
  ),
  document(
    'under-keel',
    'sums',
    'Under-keel clearance',
    'sums',
    `
depth = 5.20 # charted depth at the sill
tide = 3.10 # height of tide
draught = 7.10 # static draught
speed = 6 # knots over the sill
squat = 0.75 * speed ^ 2 / 100
clearance = depth + tide - draught - squat`,
  ),
  document(
    'inbox',
    'cabinet',
    'Inbox',
    'table',
    `
Paper,From,Received
Request for berth N2,Owners of Petrel of Vane,Mon 16:10
Dredging survey,Surveyor's office,Mon 11:45
Complaint about noise,Lock Row 4,Sun 21:30
Light list corrections,Buoy yard,Sat 09:00`,
  ),
  document(
    'plans-2026',
    'cabinet',
    'Plans 2026',
    'table',
    `
Plan,Stage,Paper
New fender line at Timber Quay,ordered,P-112
Dredging of the turning basin,survey,P-115
Second leading light,draft,P-120`,
  ),
  document(
    'note-handover',
    'notes',
    'Handover',
    'note',
    `
For the late watch

Bell of Orra wants water before 07:00.
The gauge at the outer buoy reads 10 cm high since noon.
Anvil is back at Tug Pier; Bollard stays at the lock.`,
  ),
  document(
    'note-numbers',
    'notes',
    'Numbers to keep',
    'note',
    `
Tug Pier 21
Lock house 34
Buoy yard 57`,
  ),
  document('bench', 'workshop', 'Workbench', 'workshop', 'Nothing is at stake here.'),
  document(
    'correspondence',
    'cabinet',
    'Correspondence',
    'folder',
    'letter-towage\nletter-notice-14\nletter-dues\nbyelaws-dues',
  ),
  document(
    'watch-papers',
    'cabinet',
    'Papers of the watch',
    'folder',
    'log-today\nweek-48\nlock-sill\nevening-bulletin',
  ),
  document('pictures', 'cabinet', 'Pictures', 'folder', ''),
];
