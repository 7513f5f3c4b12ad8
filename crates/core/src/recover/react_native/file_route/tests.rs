//! `file-route` as apps write it.

use crate::recover::testing::{calls, lists, reads, routes, scanned};
use expect_test::expect;

const APP: &str = r"
//- package.json
{ 'name': 'barn', 'dependencies': { 'expo-router': '~5.0.7', 'react-native': '0.79.2' } }
//- app/_layout.tsx
import { Stack } from 'expo-router';
export default function RootLayout() {
  return <Stack><Stack.Screen name='(tabs)' /><Stack.Screen name='loan/[loanId]' /></Stack>;
}
//- app/index.tsx
import { Redirect } from 'expo-router';
export default () => <Redirect href='/shelf' />;
//- app/(tabs)/_layout.tsx
import { Tabs } from 'expo-router';
export default function TabsLayout() { return <Tabs><Tabs.Screen name='shelf' /></Tabs>; }
//- app/(tabs)/shelf.tsx
import React from 'react';
import { Row } from '../../ui/Row';
const ShelfScreen = () => <Row id='7' />;
export default React.memo(ShelfScreen);
//- app/loan/[loanId].tsx
import { useLocalSearchParams, useRouter } from 'expo-router';
export default function LoanScreen() {
  const { loanId, from = 'shelf' } = useLocalSearchParams<{ loanId: string; from?: string }>();
  const { back, push } = useRouter();
  return <Text onPress={() => back()} onLongPress={() => push(`/manual/${loanId}/care?page=2`)}>{loanId}</Text>;
}
//- app/manual/[...topic].tsx
export { ManualScreen as default } from '../../screens/Manual';
//- app/manual/index.js
const React = require('react');
module.exports = function ManualIndex() { return <Text />; };
//- app/+not-found.tsx
export default function Lost() { return <Text />; }
//- app/api/loans+api.ts
export function GET() { return Response.json([]); }
//- screens/Manual.tsx
import { useGlobalSearchParams, router } from 'expo-router';
export function ManualScreen() {
  const params = useGlobalSearchParams();
  const queue: string[] = [];
  queue.push('/nowhere');
  router.dismissTo('/(tabs)/shelf');
  return <Text>{params.topic}{params.page}</Text>;
}
//- ui/Row.tsx
import { Link, router } from 'expo-router';
import type { Href } from 'expo-router';
export function open(loanId: string) { router.push({ pathname: '/loan/[loanId]', params: { loanId, from: 'row' } }); }
export function Row({ id }: { id: string }) {
  return (
    <Link href='/loans' onPress={() => open(id)}>
      <Link href={`https://barn.example/${id}`}>Web</Link>
      <Link href={'/loan/[loanId]' as Href} />
    </Link>
  );
}
";

#[test]
fn files_of_the_folder_are_routes_by_their_paths() {
    lists(
        &routes(&scanned(APP)),
        expect![[r#"
        /shelf [tab] -> ShelfScreen () shelf.tsx:3
        default [fallback] -> Lost () +not-found.tsx:1
        */ [screen] -> app () index.tsx:2
        /loan/[loanId] [screen] -> LoanScreen (loanId: string, from?: string) [loanId].tsx:2
        /manual/[...topic] [screen] -> ManualScreen (topic: string[], page?: -) [...topic].tsx:1
        /manual [screen] -> ManualIndex () index.js:2"#]],
    );
}

#[test]
fn paths_as_text_objects_and_templates() {
    let found = scanned(APP);
    lists(
        &calls(&found),
        expect![[r#"
        LoanScreen back - () [loanId].tsx:5
        LoanScreen open /manual/[...topic] literal (page, topic) [loanId].tsx:5
        ManualScreen back-to /shelf literal () Manual.tsx:6
        ShelfScreen open /loan/[loanId] literal (from, loanId) Row.tsx:3
        ShelfScreen link undeclared literal () Row.tsx:6
        ShelfScreen link external literal () Row.tsx:7
        ShelfScreen link /loan/[loanId] literal () Row.tsx:8"#]],
    );
    lists(
        &reads(&found),
        expect![[r#"
        LoanScreen loanId - [loanId].tsx:3
        LoanScreen from - [loanId].tsx:3
        ManualScreen topic - Manual.tsx:7
        ManualScreen page - Manual.tsx:7"#]],
    );
    let raw = found.findings.iter().filter(|finding| finding.rule == "argument-missing");
    assert_eq!(raw.map(|finding| finding.at.line).collect::<Vec<_>>(), [8]);
}
