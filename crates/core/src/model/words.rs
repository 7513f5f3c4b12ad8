//! The closed vocabularies of the scan document.

use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use std::fmt;

/// Declares an enum whose variants each have one written form, the same in JSON and in text.
macro_rules! words {
    ($(#[$meta:meta])* $name:ident { $($(#[$doc:meta])* $variant:ident = $text:literal,)+ }) => {
        $(#[$meta])*
        #[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize, JsonSchema)]
        pub enum $name {
            $($(#[$doc])* #[serde(rename = $text)] $variant,)+
        }

        impl $name {
            /// Every variant, in the order of declaration.
            pub const ALL: &'static [Self] = &[$(Self::$variant),+];

            /// The written form.
            #[must_use]
            pub fn as_str(self) -> &'static str {
                match self { $(Self::$variant => $text),+ }
            }
        }

        impl fmt::Display for $name {
            fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
                f.pad(self.as_str())
            }
        }
    };
}

words! {
    /// What an app is built for.
    Platform {
        /// Android, by Gradle or another build.
        Android = "android",
        /// Flutter.
        Flutter = "flutter",
        /// React Native.
        ReactNative = "react-native",
        /// Apple platforms.
        Apple = "apple",
        /// Kivy.
        Kivy = "kivy",
        /// XAML.
        Xaml = "xaml",
    }
}

words! {
    /// One way of declaring and calling navigation.
    Style {
        /// Compose routes that are text.
        ComposeString = "compose-string",
        /// Compose routes that are serializable types.
        ComposeTyped = "compose-typed",
        /// Compose keys on a back stack that the app owns.
        ComposeStack = "compose-stack",
        /// Resource graphs and fragments.
        FragmentGraph = "fragment-graph",
        /// Activities opened by intents.
        ActivityIntent = "activity-intent",
        /// Fragments swapped by transactions.
        FragmentSwap = "fragment-swap",
        /// Screens that are objects, pushed onto a navigator.
        Voyager = "voyager",
        /// Flutter widgets that calls build in place.
        PushBuilder = "push-builder",
        /// Flutter's tables of names.
        NamedTable = "named-table",
        /// Paths and names of a declared router.
        GoRouter = "go-router",
        /// Annotated pages listed in a router class.
        AutoRoute = "auto-route",
        /// Screens that are elements of navigators, or entries of their objects.
        StackComponent = "stack-component",
        /// Screens that are entries of an object of names, by the older packages.
        StackConfig = "stack-config",
        /// Scenes with keys, opened by a method each.
        FluxScene = "flux-scene",
        /// Routes that are files.
        FileRoute = "file-route",
        /// SwiftUI destinations by value, flag, item or tag.
        SwiftuiValue = "swiftui-value",
        /// SwiftUI links that build their destination in place.
        SwiftuiViewLink = "swiftui-view-link",
        /// View controllers, shown by code.
        Uikit = "uikit",
        /// Scenes and segues of storyboards.
        Storyboard = "storyboard",
        /// Screens of Kivy's screen managers.
        KivyScreen = "kivy-screen",
        /// XAML pages by URI or type.
        XamlUri = "xaml-uri",
        /// Items of XAML shells, and pages registered beside them.
        ShellRoute = "shell-route",
        /// XAML pages that code makes and pushes.
        PagePush = "page-push",
    }
}

impl Style {
    /// What apps in this style are built for.
    #[must_use]
    pub fn platform(self) -> Platform {
        match self {
            Self::ComposeString
            | Self::ComposeTyped
            | Self::ComposeStack
            | Self::FragmentGraph
            | Self::ActivityIntent
            | Self::FragmentSwap
            | Self::Voyager => Platform::Android,
            Self::PushBuilder | Self::NamedTable | Self::GoRouter | Self::AutoRoute => Platform::Flutter,
            Self::StackComponent | Self::StackConfig | Self::FluxScene | Self::FileRoute => {
                Platform::ReactNative
            }
            Self::SwiftuiValue | Self::SwiftuiViewLink | Self::Uikit | Self::Storyboard => Platform::Apple,
            Self::KivyScreen => Platform::Kivy,
            Self::XamlUri | Self::ShellRoute | Self::PagePush => Platform::Xaml,
        }
    }
}

words! {
    /// What kind of UI a screen is.
    ScreenKind {
        /// An Android fragment.
        Fragment = "fragment",
        /// An Android activity.
        Activity = "activity",
        /// A Compose function.
        Composable = "composable",
        /// A Flutter widget.
        Widget = "widget",
        /// A React component.
        Component = "component",
        /// A SwiftUI view.
        View = "view",
        /// A UIKit view controller.
        ViewController = "view-controller",
        /// A XAML page.
        Page = "page",
    }
}

words! {
    /// How a route shows its screen.
    RouteKind {
        /// It fills the window.
        Screen = "screen",
        /// A dialog over the screen.
        Dialog = "dialog",
        /// A bottom sheet.
        Sheet = "sheet",
        /// A tab of a container.
        Tab = "tab",
        /// A set of routes with a start of its own.
        Group = "group",
        /// An Android activity.
        Activity = "activity",
        /// It only leads elsewhere.
        Redirect = "redirect",
        /// Shown for unknown names.
        Fallback = "fallback",
    }
}

words! {
    /// How a value reaches a route's parameter.
    Via {
        /// A segment of the path.
        Path = "path",
        /// A part of the query.
        Query = "query",
        /// A declared argument.
        Argument = "argument",
        /// A constructor parameter.
        Constructor = "constructor",
        /// An extra of an intent.
        Extra = "extra",
        /// A property set from outside.
        Property = "property",
    }
}

words! {
    /// What a call does.
    Verb {
        /// Shows a route on top.
        Open = "open",
        /// Shows a route in place of the present one.
        Replace = "replace",
        /// Sets the whole stack.
        Reset = "reset",
        /// Goes back.
        Back = "back",
        /// Goes back to a named route, or to the root.
        BackTo = "back-to",
        /// Switches a tab.
        Tab = "tab",
        /// Presents over the present screen.
        Present = "present",
        /// Opens by an address.
        Link = "link",
    }
}

words! {
    /// How a call names its target.
    Form {
        /// Text written in place.
        Literal = "literal",
        /// A constant.
        Constant = "constant",
        /// A class, an object or an instance.
        Typed = "typed",
        /// Generated code.
        Generated = "generated",
        /// A resource id.
        Resource = "resource",
        /// Put together at run time, but known in shape.
        Computed = "computed",
        /// Not known from the source.
        Dynamic = "dynamic",
    }
}

words! {
    /// What linking made of a call.
    CallStatus {
        /// Its routes are known, or it needs none.
        Resolved = "resolved",
        /// Its target is known and nobody declares it.
        Undeclared = "undeclared",
        /// Its target is not known from the source.
        Dynamic = "dynamic",
        /// It leads out of the app.
        External = "external",
    }
}

words! {
    /// The side of a result.
    ResultSide {
        /// The screen that hands the value back.
        Send = "send",
        /// The screen that takes it.
        Receive = "receive",
    }
}

words! {
    /// How bad a finding is; the worst last.
    Severity {
        /// Worth knowing.
        Note = "note",
        /// Probably a slip.
        Warning = "warning",
        /// Fails when run.
        Error = "error",
    }
}

impl Severity {
    /// One step less.
    #[must_use]
    pub fn lower(self) -> Self {
        match self {
            Self::Error => Self::Warning,
            Self::Warning | Self::Note => Self::Note,
        }
    }
}
