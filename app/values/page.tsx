import type { Metadata } from 'next';
import { ValueBench } from '@/ui/values/ValueBench';
import { requireViewer } from '../access';
import { View } from '../shell';

export const metadata: Metadata = { title: 'Value bench' };

export default async function ValuesPage() {
  const viewer = await requireViewer('see-values');
  return (
    <View
      viewer={viewer}
      places={[{ label: 'Today', href: '/' }, { label: 'Value bench' }]}
      title="Value bench"
    >
      <ValueBench />
    </View>
  );
}
