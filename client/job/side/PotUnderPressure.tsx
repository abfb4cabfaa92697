import { Caution } from '../../ui/Notice';

/** Wherever a run is left while its pot holds pressure: a cap under it is shot off. */
export const PotUnderPressure = () => (
  <Caution title="The pot is still under pressure">
    Let it off at the pot and see the gauge at zero before anybody touches the cap.
  </Caution>
);
