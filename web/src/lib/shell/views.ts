/** The places in the application, in the order of the navigation; the digit goes there with Alt. */
export const PLACES = [
  { view: 'position', name: 'Position' },
  { view: 'receipts', name: 'Receipts' },
  { view: 'payments', name: 'Payments' },
  { view: 'funding', name: 'Funding' },
  { view: 'statements', name: 'Statements' },
  { view: 'forecast', name: 'Forecast' },
  { view: 'track', name: 'Track' },
  { view: 'whatif', name: 'What-if' },
  { view: 'setup', name: 'Setup' },
] as const;

/** The places of a plan that is of years alone. */
export const PLACES_OF_YEARS = PLACES.filter((one) => ['statements', 'whatif', 'setup'].includes(one.view));

export type ViewName = (typeof PLACES)[number]['view'];

/** Whether a key takes the base's in the place of what the scenario that is shown has. */
export function takesBase(e: KeyboardEvent): boolean {
  return e.altKey && !e.ctrlKey && !e.metaKey && e.code === 'KeyT';
}

/** Every key and what it does, as the key list shows it. */
export const KEYS: { where: string; keys: [string, string][] }[] = [
  {
    where: 'Everywhere',
    keys: [
      ['Ctrl K', 'jump to a line, an assumption, an account, a buoy or a view'],
      ['Alt 1 … 9', 'Position, Receipts, Payments, Funding, Statements, Forecast, Track, What-if, Setup'],
      ['Alt P, B', 'show the next scenario everywhere; the base'],
      ['Alt T', "take the base's: of the line in hand, in a list of items of what is chosen"],
      ['Ctrl Z', 'undo the latest edit'],
      ['Ctrl Y', 'redo what was undone'],
      ['?', 'this list'],
      ['F6', 'into the panel that is open at the side, and back'],
      ['Esc', 'leave what is open'],
    ],
  },
  {
    where: 'In a grid',
    keys: [
      ['Arrows', 'move; with Shift choose a block'],
      ['Home, End', 'first and last column'],
      ['Ctrl C', 'copy the block, for a spreadsheet'],
      ['Ctrl V', 'paste a block into a monthly strip'],
    ],
  },
  {
    where: 'Forecast',
    keys: [
      ['Enter', 'workings of the figure'],
      ['0 … 9', 'override the figure; Tab goes on to the reason'],
      ['Delete', 'lift the override'],
      ['B', 'leave a buoy, answer it, or lift it'],
      ['Space', 'fold or unfold a group'],
    ],
  },
  {
    where: 'Track',
    keys: [
      ['Enter', 'workings of the variance'],
      ['C', 'carry what is open to a later day'],
      ['D', 'drop it'],
      ['N', 'note why the figure differs'],
    ],
  },
  {
    where: 'Statements',
    keys: [
      ['Enter', 'workings of the figure'],
      ['Space', 'fold or unfold a group'],
    ],
  },
  {
    where: 'Receipts and Payments',
    keys: [
      ['Arrows', 'move through the tree of lines'],
      ['Alt ↑ ↓', 'move the line up or down'],
      ['Alt → ←', 'put it into the group above, or out of its group'],
      ['F2', 'rename'],
      ['N', 'new line'],
      ['X', 'switch off or on'],
      ['Delete', 'delete (Ctrl Z brings it back)'],
    ],
  },
  {
    where: 'Movements to assign',
    keys: [
      ['↑ ↓', 'move; with Shift choose several'],
      ['S', 'settle the open items proposed'],
      ['I', 'see what it may settle'],
      ['1 … 5', 'assign to the suggested line'],
      ['T', 'a transfer between own accounts'],
      ['L', 'choose a line, or make one of it'],
      ['D', 'divide over several lines'],
      ['R', 'remember a rule'],
    ],
  },
  { where: 'Tide line', keys: [['← →', 'move the handle a day, with Shift a week']] },
];
