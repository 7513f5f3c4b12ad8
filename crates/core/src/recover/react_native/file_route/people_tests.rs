//! File routes as people write them: a guard, tabs from a list, tables of paths, cards that link.

use crate::recover::testing::{calls, lists, routes, said, scanned};
use expect_test::expect;

#[test]
fn guards_tables_cards_and_hooks() {
    let document = scanned(
        r#"
//- app.json
{ "expo": { "name": "barn", "scheme": "borrowbarn", "plugins": ["expo-router"] } }
//- package.json
{ "name": "barn", "main": "expo-router/entry", "dependencies": { "expo": "51", "expo-router": "~3.5", "react-native": "0.74" } }
//- tsconfig.json
{ "extends": "expo/tsconfig.base", "compilerOptions": { "paths": { "@/*": ["./*"] } } }
//- app/+not-found.tsx
import { Link } from 'expo-router';
export default function NotFound() { return <Link href="/">home</Link>; }
//- app/_layout.tsx
import { Stack, useRouter, useSegments, SplashScreen, Redirect } from 'expo-router';
import { useEffect } from 'react';
import { useAuth, AuthProvider } from '@/hooks/useAuth';
export { ErrorBoundary } from 'expo-router';
export const unstable_settings = { initialRouteName: '(tabs)' };
function Guard() {
  const { user } = useAuth();
  const segments = useSegments();
  const router = useRouter();
  useEffect(() => {
    const inAuth = segments[0] === '(auth)';
    if (!user && !inAuth) router.replace('/(auth)/sign-in');
    else if (user && inAuth) router.replace('/');
  }, [user]);
  return (
    <Stack screenOptions={{ headerShown: false }}>
      <Stack.Screen name="(tabs)" />
      <Stack.Screen name="(auth)" />
      <Stack.Screen name="modal/filter" options={{ presentation: 'modal' }} />
      <Stack.Screen name="item/[id]" />
    </Stack>
  );
}
export default function Layout() { return <AuthProvider><Guard /></AuthProvider>; }
//- app/(auth)/sign-in.tsx
import { router } from 'expo-router';
export default () => <Button onPress={() => router.replace('/(tabs)')} />;
//- app/(tabs)/_layout.tsx
import { Tabs } from 'expo-router';
const TABS = [ { name: 'index', title: 'Home' }, { name: 'items/index', title: 'Items' }, { name: 'profile', title: 'Me' } ];
export default function TabLayout() {
  return <Tabs>{TABS.map(t => <Tabs.Screen key={t.name} name={t.name} options={{ title: t.title }} />)}<Tabs.Screen name="items/[id]" options={{ href: null }} /></Tabs>;
}
//- app/(tabs)/index.tsx
import { Link, router, useRouter, type Href } from 'expo-router';
import { routes } from '@/lib/routes';
import { Card } from '@/components/Card';
import { useGo } from '@/hooks/useGo';
const MENU: { title: string; href: Href }[] = [ { title: 'Profile', href: '/profile' }, { title: 'Filter', href: '/modal/filter?kind=tool' } ];
export default function Home() {
  const r = useRouter();
  const { toItem, back } = useGo();
  return (
    <>
      <Link href="/items">Items</Link>
      <Link href={{ pathname: '/items/[id]', params: { id: '7', from: 'home' } }} asChild><Button /></Link>
      <Link href={routes.item(3)} replace>Item</Link>
      {MENU.map(m => <Link key={m.title} href={m.href}>{m.title}</Link>)}
      <Card href="/items/9" />
      <Button onPress={() => r.push({ pathname: '/item/[id]', params: { id: 4 } })} />
      <Button onPress={() => router.navigate(`/items/${5}?from=menu`)} />
      <Button onPress={() => toItem('6')} />
      <Button onPress={back} />
      <Button onPress={() => r.push('/itmes')} />
      <Button onPress={() => { r.canGoBack() ? r.back() : r.replace('/') }} />
      <Button onPress={() => router.setParams({ q: 'x' })} />
      <Link href="https://borrowbarn.example">web</Link>
    </>
  );
}
//- app/(tabs)/profile.tsx
import { Redirect } from 'expo-router';
import { useAuth } from '@/hooks/useAuth';
export default function Profile() { const { user, signOut } = useAuth(); if (!user) return <Redirect href="/sign-in" />; return <Button onPress={signOut} />; }
//- app/(tabs)/items/[id].tsx
import { useLocalSearchParams, useGlobalSearchParams, router } from 'expo-router';
export default function Item() {
  const { id, from } = useLocalSearchParams();
  return <Button onPress={() => router.push({ pathname: '/modal/filter', params: { kind: id } })} />;
}
//- app/(tabs)/items/index.tsx
import { useLocalSearchParams, Stack } from 'expo-router';
export default function Items() { const { q } = useLocalSearchParams<{ q?: string }>(); return <Stack.Screen options={{ title: q }} />; }
//- app/item/[id].tsx
import { useLocalSearchParams } from 'expo-router';
export default function ItemSheet() { const { id } = useLocalSearchParams<{ id: string }>(); return <Text>{id}</Text>; }
//- app/modal/filter.tsx
import { useLocalSearchParams, useRouter } from 'expo-router';
export default function Filter() { const { kind } = useLocalSearchParams<{ kind: string }>(); const router = useRouter(); return <Button onPress={() => router.dismiss()} title={kind} />; }
//- components/Card.tsx
import { Link, LinkProps } from 'expo-router';
type Props = { href: LinkProps['href']; title?: string };
export const Card = ({ href, title }: Props) => <Link href={href} asChild><Pressable><Text>{title}</Text></Pressable></Link>;
//- hooks/useAuth.tsx
import React, { createContext, useContext } from 'react';
import { router } from 'expo-router';
import { routes } from '@/lib/routes';
const Ctx = createContext<any>(null);
export const useAuth = () => useContext(Ctx);
export function AuthProvider({ children }) {
  const signOut = async () => { await clear(); router.dismissAll(); router.replace(routes.signIn); };
  return <Ctx.Provider value={{ user: null, signOut }}>{children}</Ctx.Provider>;
}
//- hooks/useGo.ts
import { useCallback } from 'react';
import { useRouter } from 'expo-router';
export function useGo() {
  const router = useRouter();
  const toItem = useCallback((id: string) => router.push(`/items/${id}`), [router]);
  return { toItem, back: router.back };
}
//- lib/routes.ts
export const routes = { home: '/', item: (id: number) => `/items/${id}` as const, signIn: '/sign-in' } as const;
"#,
    );
    lists(
        &routes(&document),
        expect![[r#"
        /sign-in [screen] -> sign-in () sign-in.tsx:2
        */ [tab] -> Home () index.tsx:6
        /items/[id] [screen] -> Item (id: string, from?: -) [id].tsx:2
        /items [screen] -> Items (q?: string) index.tsx:2
        /profile [tab] -> Profile () profile.tsx:3
        default [fallback] -> NotFound () +not-found.tsx:2
        /item/[id] [screen] -> ItemSheet (id: string) [id].tsx:2
        /modal/filter [screen] -> Filter (kind?: string) filter.tsx:2"#]],
    );
    lists(
        &calls(&document),
        expect![[r#"
        sign-in replace / literal () sign-in.tsx:2
        Home link /items literal () index.tsx:11
        Home link /items/[id] literal (from, id) index.tsx:12
        Home link /items/[id] computed (id) index.tsx:13
        Home link /profile|/modal/filter computed (kind) index.tsx:14
        Home link /items/[id] constant (id) index.tsx:15
        Home open /item/[id] literal (id) index.tsx:16
        Home open /items/[id] literal (from, id) index.tsx:17
        Home open undeclared literal () index.tsx:20
        Home back - () index.tsx:21
        Home replace / literal () index.tsx:21
        Home link external literal () index.tsx:23
        Item open /modal/filter literal (kind) [id].tsx:4
        NotFound link / literal () +not-found.tsx:2
        - replace /sign-in literal () _layout.tsx:12
        - replace / literal () _layout.tsx:13
        Filter back - () filter.tsx:2
        - back-to - () useAuth.tsx:7
        - replace /sign-in constant () useAuth.tsx:7
        Home open /items/[id] literal (id) useGo.ts:5"#]],
    );
    lists(
        &said(&document),
        expect![[r#"
        warning hard-coded-route sign-in.tsx:2 the route `/` is written in place
        warning hard-coded-route index.tsx:11 the route `/items` is written in place
        warning hard-coded-route index.tsx:12 the route `/items/{}` is written in place, as in 1 other place
        warning hard-coded-route index.tsx:16 the route `/item/{}` is written in place
        warning hard-coded-route index.tsx:17 the route `/items/5?from=menu` is written in place
        error undeclared-route index.tsx:20 no route or action is called `/itmes`
        warning hard-coded-route [id].tsx:4 the route `/modal/filter` is written in place
        warning hard-coded-route _layout.tsx:12 the route `/sign-in` is written in place
        warning hard-coded-route useGo.ts:5 the route `/items/{}` is written in place, as in 1 other place"#]],
    );
}
