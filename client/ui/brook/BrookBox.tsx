import { useState } from 'react';
import { View } from 'react-native';
import { Brook, type BrookProps } from './Brook';

/** The brook as wide as the column it stands in. */
export function BrookBox(props: Omit<BrookProps, 'width'>) {
  const [width, setWidth] = useState(0);
  return (
    <View
      onLayout={(e) => setWidth(Math.floor(e.nativeEvent.layout.width))}
      style={{ minHeight: props.height }}
    >
      {width > 0 ? <Brook {...props} width={width} /> : null}
    </View>
  );
}
