import { TrackHome } from '@client/trackside/TrackHome';

export default function Track() {
  return <TrackHome />;
}
