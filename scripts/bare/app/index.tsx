import { Text } from 'react-native';

/** The page that the first load of the product is weighed against: one text, default settings. */
export default function Bare() {
  return <Text>Bare</Text>;
}
