import { FinishedBySide } from './FinishedBySide';
import { ReviewTimes } from './ReviewTimes';

/** What of the picture of the work no gather draws. */
export function PictureTop() {
  return (
    <>
      <FinishedBySide />
      <ReviewTimes />
    </>
  );
}
