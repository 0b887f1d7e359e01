import type { Metadata } from 'next';
import { Account } from '@/ui/people/Account';
import { requireViewer } from '../access';
import { View } from '../shell';
import { changePassword } from './actions';

export const metadata: Metadata = { title: 'Your account' };

export default async function AccountPage() {
  const viewer = await requireViewer('keep-own-account');
  return (
    <View viewer={viewer} places={[{ label: 'Today', href: '/' }, { label: 'Account' }]} title="Your account">
      <Account name={viewer.name} role={viewer.role} change={changePassword} />
    </View>
  );
}
