//! From facts to the graph: calls to routes, routes to screens, calls to the screens they are in.
//!
//! [`link`] is a list of phases, each of which takes what the one before it made: [`Contained`],
//! [`Placed`], [`Resolved`], [`Linked`]. After each, the styles join what only they have, through
//! [`Joining`]. [`complete`] answers what needs everything to be parsed, and gives the [`Graph`].
//!
//! Nothing here knows a style, a platform or a language: how a style's names work is said by its
//! [`Ways`](crate::facts::Ways), what it means by the facts it recovers.

mod arguments;
mod constants;
mod containers;
mod doubt;
mod graph;
mod index;
mod joining;
mod patterns;
mod phases;
mod questions;
mod reach;
mod redirects;
mod results;
mod routes;
mod screens;
mod shadows;
mod stacks;
mod starts;
mod targets;
mod view;

#[cfg(test)]
mod tests;

pub use doubt::{Doubt, Doubted};
pub use graph::{
    Action, Argument, Call, Constant, Container, Graph, HandsOn, Host, HostProblem, Parameter, Read,
    ResultSideLinked, Route, Screen,
};
pub use joining::{Join, Joining, Phase};
pub use phases::{Around, Contained, Linked, Placed, Resolved, Rooms, complete, link};
pub(crate) use {arguments::parameters_of, doubt::doubted, reach::from as reachable_from};
