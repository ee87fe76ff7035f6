import { Empty } from './Empty';

type Props = {
  /** What is looked for, as in `There is no season at this address`. */
  what: string;
  /** Where to go instead: `this week`. */
  goTo: string;
  onGo: () => void;
};

/** Says that an address leads to nothing any more. */
export const NotThere = ({ what, goTo, onGo }: Props) => (
  <Empty title={`No such ${what}`} action={{ label: `Go to ${goTo}`, onPress: onGo }}>
    {`There is no ${what} at this address. It may have been removed.`}
  </Empty>
);
