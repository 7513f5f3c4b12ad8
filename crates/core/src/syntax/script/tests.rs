//! What the lens for JavaScript and TypeScript makes of each construct.

use crate::source::from_texts;
use crate::syntax::tests::sketched;
use crate::syntax::{Body, parse};

#[track_caller]
fn script(text: &str, expected: &str) {
    let found = sketched("src/a.tsx", text);
    let expected: Vec<&str> = expected.lines().map(str::trim).filter(|line| !line.is_empty()).collect();
    assert_eq!(found.lines().collect::<Vec<_>>(), expected, "\n{found}\n");
}

#[test]
fn functions_by_every_form() {
    script(
        r"
export function Shelf({ navigation, route: { params: { id = 'x' } } }: Props) { return null; }
const open = (a: string, b?: number) => go(a);
export const Item = memo(function Item(props) { return props.a; });
const onPress = useCallback(async () => { await open('b'); }, []);
export default () => open('c');
let later = 1;
",
        r#"
        fun Shelf(<props>0: Props) = { val navigation = <props>0.navigation; val id = (<props>0.route.params.id ?: "x"); return null }
        fun open(a: string, b: number) = go(a)
        fun Item(props) = { return props.a }
        fun onPress() = { [await open("b")] }
        fun default() = open("c")
        val later = 1
        "#,
    );
}

#[test]
fn objects_arrays_and_what_is_taken_apart() {
    script(
        r"
const ROUTES = { home: 'Home', [KEY]: `a/${x}`, go() { return 1; }, ...more } as const;
enum Names { Shelf = 'shelf', Loan = 'loan' }
const { navigate, goBack: back } = useNavigation<Nav>();
const [a, setA] = useState(route.params?.a ?? 1);
const list = [1, ...others];
const v = cond ? x! : (y as Item).z['k'];
",
        r#"
        val ROUTES = {"home": "Home", KEY: "a/${x}", "go": \ { return 1 }, *more}
        val Names = {"Shelf": "shelf", "Loan": "loan"}
        <val <held 170> = useNavigation<Nav>(); val navigate = <held 170>.navigate; val back = <held 170>.goBack>
        <val <held 210> = useState((route.params.a ?: 1)); val a = <held 210>[0]; val setA = <held 210>[1]>
        val list = [1, *others]
        val v = choose (cond -> [!! x] |  -> (y as? Item).z["k"])
        "#,
    );
}

#[test]
fn elements_are_calls_with_one_object() {
    script(
        r#"
const a = <Stack.Screen name="Shelf" component={Shelf} {...rest} modal />;
const b = <><A />{ok && <B x={1} />}{items.map((i) => <C key={i} />)}</>;
const c = <Tab.Screen name="x">{() => <Shelf limit={8} />}</Tab.Screen>;
"#,
        r#"
        val a = Stack.Screen(<properties> = {"name": "Shelf", "component": Shelf, *rest, "modal": true})
        val b = [A(<properties> = {}), (ok && B(<properties> = {"x": 1})), *items.map(\i C(<properties> = {"key": i}))]
        val c = Tab.Screen(<properties> = {"name": "x", "children": \ Shelf(<properties> = {"limit": 8})})
        "#,
    );
}

#[test]
fn classes_and_types() {
    script(
        r"
abstract class Form<P> extends React.Component<P, {}> { static x = 1; private close = () => { this.props.go(); }; render() { return null; } }
type Params = { Shelf: undefined; Item: { id: string; tab?: 'a' | 'b' } | undefined; Rest: Base & Other<X> };
interface Props extends NativeStackScreenProps<Params, 'Item'> { note?: string }
type Both = A & { extra: number };
declare global { namespace Nav { interface Root extends Params {} } }
",
        r#"
        class Form(props: P): React.Component<P, >() { val x = 1; fun close() = { this.props.go() }; fun render() = { return null } }
        interface Params():  { val Shelf: undefined; val Item: ? = interface ():  { val id: string; val tab: 'a' | 'b' }; val Rest:  = interface (): Base(), Other<X>() {  } }
        interface Props(): NativeStackScreenProps<Params, 'Item'>() { val note: string }
        interface Both(): A() { val extra: number }
        <<interface Root(): Params() {  }>>
        "#,
    );
}

#[test]
fn modules_of_both_kinds_through_aliases_and_packages() {
    let files = [
        ("package.json", "{ \"name\": \"barn\" }"),
        (
            "tsconfig.json",
            "{ // short names\n \"compilerOptions\": { \"paths\": { \"@/*\": [\"./src/*\"] } } }",
        ),
        ("babel.config.js", "module.exports = { plugins: [['x', { alias: { '~': './src/ui' } }]] };"),
        ("packages/tools/package.json", "{ \"name\": \"@barn/tools\", \"main\": \"src/main.ts\" }"),
        ("packages/tools/src/main.ts", "export const A = 1;"),
        (
            "src/nav/index.ts",
            "export * from './names'; export { default as Shelf } from '../Shelf'; export default function Nav() {}",
        ),
        ("src/nav/names.ts", ""),
        ("src/Shelf.ios.tsx", ""),
        ("src/ui/Row.tsx", ""),
        (
            "src/App.tsx",
            "import Nav, { SHELF as S } from '@/nav';\nimport * as names from './nav/names.js';\nimport { Row } from '~/Row';\nimport { A } from '@barn/tools';\nimport { View } from 'react-native';\nconst { B, C: D } = require('./Shelf');\nconst lazy = () => require('./ui/Row').Row;\nmodule.exports = App;",
        ),
    ];
    let sources = from_texts(files.map(|(path, text)| (path.to_owned(), text.to_owned())).to_vec());
    let imports = |path: &str| -> Vec<String> {
        let file = sources.files.iter().find(|file| file.path == path).expect("there");
        let Body::Code(tree) = parse(file, &sources).body else { panic!("code") };
        tree.imports
            .iter()
            .map(|i| {
                let name = i.name.as_ref().or(i.prefix.as_ref()).map_or("*", |name| name.as_str());
                format!("{name} = {}{}", i.path, if i.exported { ", given" } else { "" })
            })
            .collect()
    };
    assert_eq!(
        imports("src/App.tsx"),
        [
            "Nav = src/nav/index.default",
            "Nav = src/nav/index",
            "S = src/nav/index.SHELF",
            "names = src/nav/names",
            "Row = src/ui/Row.Row",
            "A = packages/tools/src/main.A",
            "View = react-native.View",
            "B = src/Shelf.ios.B",
            "D = src/Shelf.ios.C",
            "<./ui/Row> = src/ui/Row",
            "default = src/App.App, given",
        ]
    );
    assert_eq!(
        imports("src/nav/index.ts"),
        [
            "* = src/nav/names, given",
            "Shelf = src/Shelf.ios.default, given",
            "default = src/nav/index.Nav, given",
        ]
    );
}
