using System.Collections;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;

namespace YokePair.Web;

/// <summary>
/// Refuses null among the elements of a list whose elements are never null: the serializer looks at properties only. One place, so that
/// nothing that is sent has to be looked through again where it is used.
/// </summary>
internal static class NoNulls
{
    /// <summary>Adds the check to whatever is read.</summary>
    public static void InLists(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object) return;
        var lists = type.Properties.Where(p => p.Get is not null && p.AttributeProvider is PropertyInfo property && HasNoNulls(property))
            .Select(p => (p.Name, Get: p.Get!)).ToList();
        if (lists.Count > 0) type.OnDeserialized += read =>
        {
            foreach (var (name, get) in lists)
                if (get(read) is IEnumerable list) Check(name, list);
        };
    }

    private static void Check(string name, IEnumerable list)
    {
        var at = 0;
        foreach (var element in list)
        {
            if (element is null) throw new JsonException($"{name}[{at}] is null; take it out of the list");
            at++;
        }
    }

    private static bool HasNoNulls(PropertyInfo property)
    {
        if (property.PropertyType == typeof(string) || !property.PropertyType.IsAssignableTo(typeof(IEnumerable))) return false;
        var nullability = new NullabilityInfoContext().Create(property);
        var element = nullability.ElementType ?? (nullability.GenericTypeArguments is [var only] ? only : null);
        return element is { Type.IsValueType: false, ReadState: NullabilityState.NotNull };
    }
}
