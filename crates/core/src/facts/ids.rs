//! Identities of what is joined: each list of the graph is indexed by its own.

oxc_index::define_index_type! {
    /// A screen of the graph.
    pub struct ScreenId = u32;
}

oxc_index::define_index_type! {
    /// A route of the graph.
    pub struct RouteId = u32;
}

oxc_index::define_index_type! {
    /// A container of the graph.
    pub struct ContainerId = u32;
}

oxc_index::define_index_type! {
    /// A named way of the graph.
    pub struct ActionId = u32;
}

oxc_index::define_index_type! {
    /// A call of the graph.
    pub struct CallId = u32;
}
